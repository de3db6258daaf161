<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\Browser;
use App\Serving\Facts\Need;
use App\Serving\VisitFacts;
use App\Webinars\Offered;
use DateTimeZone;
use Illuminate\Contracts\View\Factory;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/**
 * The sessions one can register for, in the visitor's own zone. It is a slot of the block that shows them, or of a form that registers
 * for a webinar and stands on a page without such a block.
 */
final readonly class SessionsSlot implements Slot
{
    public function __construct(private Factory $views)
    {
    }

    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
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

    public function needs(string $of, array $noted): array
    {
        $webinar = WebinarNote::webinar($noted);

        return $webinar === null ? [] : [Need::placesToRegister($webinar), Need::reader()];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        $webinar = WebinarNote::webinar($noted);
        if ($webinar === null) {
            return '';
        }
        $now = $visit->now;
        $asked = $visit->askedZone;
        $known = Browser::zone($asked);
        $hosts = new DateTimeZone(WebinarNote::text($noted, 'zone') ?: 'UTC');
        $zone = $known === null ? $hosts : new DateTimeZone($known);
        $places = $visit->loaded->placesToRegister($webinar);
        $offered = Offered::of($webinar, $zone, $now, $places->taken, $places->calledOff);
        $typed = $visit->typed['webinar_session'] ?? null;

        return $this->views->make('site.webinar.sessions', ['webinar' => $webinar, 'offered' => $offered, 'zone' => $zone, 'now' => $now,
            'say' => $visit->voice, 'text' => WebinarNote::text($noted, 'text'),
            'form' => WebinarNote::text($noted, 'form'), 'id' => 'sessions-'.$of,
            'chosen' => is_string($typed) && $offered->has($typed) ? $typed : ($offered->choices[0]->session->key ?? ''),
            // By the name that the browser gave it, so that its script sees for which zone the times are told.
            'asked' => is_string($asked) ? mb_substr(mb_scrub($asked), 0, 60) : '', 'error' => $visit->error('webinar_session'),
            'reader' => ($noted['takes'] ?? false) !== true ? null : $visit->loaded->reader()])->render();
    }
}
