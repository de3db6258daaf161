<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Serving\Browser;
use App\Serving\Visit;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use App\Webinars\OwnRegistration;
use App\Webinars\Registrations\Offered;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\View;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/**
 * The sessions one can register for, in the visitor's own zone. It is a slot of the block that shows them, or of a form that registers
 * for a webinar and stands on a page without such a block.
 */
final class SessionsSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page): array
    {
        $block = $page->document->block($of);
        if ($block === null) {
            return [];
        }
        $isForm = $block->kind === BlockKind::Form;
        $webinar = $isForm ? ($plan->form($block->field('form'))->webinar ?? '') : $block->field('webinar');
        $picker = array_filter($page->document->blocksOf(BlockKind::Sessions), fn ($b): bool => $b->field('webinar') === $webinar);
        $form = WebinarNote::formBlock($plan, $page, $webinar);

        // Where a block of the page shows them already, the form does not show them again.
        return $webinar === '' || ($isForm && $picker !== []) ? []
            : WebinarNote::of($webinar, $block, $plan, $page) + ['form' => $isForm ? '' : ($form === null ? '' : 'form-'.$form->id),
                'takes' => $form !== null];
    }

    public function fill(string $of, array $noted, string $fallback, Visit $visit): string
    {
        $webinar = WebinarNote::webinar($noted);
        if ($webinar === null) {
            return '';
        }
        $now = CarbonImmutable::now();
        $asked = SiteCookies::read($visit->request, SiteCookie::Zone);
        $known = Browser::zone($asked);
        $hosts = new DateTimeZone(WebinarNote::text($noted, 'zone') ?: 'UTC');
        $zone = $known === null ? $hosts : new DateTimeZone($known);
        $own = OwnRegistration::of($visit->request, $visit->funnel, $webinar->id, null, $visit->reader());
        $offered = Offered::to($webinar, $zone, $now, $own?->person_id);
        $typed = $visit->typed['webinar_session'] ?? null;

        return View::make('site.webinar.sessions', ['webinar' => $webinar, 'offered' => $offered, 'zone' => $zone, 'now' => $now,
            'language' => WebinarNote::text($noted, 'language') ?: 'en', 'text' => WebinarNote::text($noted, 'text'),
            'form' => WebinarNote::text($noted, 'form'), 'id' => 'sessions-'.$of,
            'chosen' => is_string($typed) && $offered->has($typed) ? $typed : ($offered->choices[0]->session->key ?? ''),
            // By the name that the browser gave it, so that its script sees for which zone the times are told.
            'asked' => is_string($asked) ? mb_substr(mb_scrub($asked), 0, 60) : '', 'error' => $visit->errors['webinar_session'] ?? '',
            'reader' => ($noted['takes'] ?? false) !== true ? null : $visit->reader()?->person])->render();
    }
}
