<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Languages\SiteVoice;
use App\Serving\Browser;
use App\Serving\Facts\Need;
use App\Serving\VisitFacts;
use App\Support\Html;
use App\Webinars\Offered;
use DateTimeZone;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/**
 * The sessions one can register for, in the visitor's own zone. It is a slot of the block that shows them, or of a form that registers
 * for a webinar and stands on a page without such a block.
 */
final readonly class SessionsSlot implements Slot
{
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
        $chosen = is_string($typed) && $offered->has($typed) ? $typed : ($offered->choices[0]->session->key ?? '');
        [$say, $id, $error] = [$visit->voice, Html::text("sessions-{$of}"), $visit->error('webinar_session')];
        $text = WebinarNote::text($noted, 'text');
        $form = WebinarNote::text($noted, 'form') === '' ? '' : ' form="'.Html::text(WebinarNote::text($noted, 'form')).'"';
        // By the name that the browser gave it, so that its script sees for which zone the times are told.
        $asked = is_string($asked) ? mb_substr(mb_scrub($asked), 0, 60) : '';
        $reader = ($noted['takes'] ?? false) !== true || $offered->isNone() ? null : $visit->loaded->reader();

        return "<fieldset class=\"sessions\" id=\"{$id}\" data-sessions data-asked=\"".Html::text($asked).'" data-begun="'
            .Html::text($say->say('session.begun')).'"'.($offered->fresh === null ? '' : " data-fresh=\"{$offered->fresh}\"")
            .($error === '' ? '' : " aria-describedby=\"e-{$id}\"").">\n"
            .'<legend>'.Html::text($text === '' ? $say->say('session.choose') : $text)."</legend>\n"
            .self::choices($offered, $zone, $visit, $form, $chosen)
            .($error === '' ? '' : "<span class=\"error\" id=\"e-{$id}\">".Html::text($error)."</span>\n")
            .($reader === null ? '' : '<p class="one-click"><button class="button" type="submit" name="book" value="'
                .Html::text($webinar->id)."\" formnovalidate{$form}>".Html::text($reader->firstName === '' ? $say->say('session.keep')
                    : $say->say('session.keep_name', ['name' => $reader->firstName])).'</button> <small>'
                .Html::text($say->say('session.known'))."</small></p>\n").'</fieldset>';
    }

    private static function choices(Offered $offered, DateTimeZone $zone, VisitFacts $visit, string $form, string $chosen): string
    {
        if ($offered->isNone()) {
            return '<p>'.Html::text($visit->voice->say('session.none'))."</p>\n";
        }
        $html = '';
        $one = count($offered->choices) === 1;
        foreach ($offered->choices as $choice) {
            $places = $offered->places($choice);
            $words = '<strong>'.Html::text($offered::time($choice, $zone, $visit->voice, $visit->now)).'</strong>'
                .($places === null ? '' : ' <small>'.Html::text($visit->voice->say($places)).'</small>');
            $input = 'name="webinar_session" value="'.Html::text($choice->session->key).'"'.$form;
            $html .= $one ? "<p class=\"session-one\"><input type=\"hidden\" {$input}>{$words}</p>\n"
                : "<label class=\"session-choice\"><input type=\"radio\" {$input}".($choice->session->key === $chosen ? ' checked' : '')
                    ."><span>{$words}</span></label>\n";
        }

        return $html;
    }
}
