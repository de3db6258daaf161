<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Files\FileLinks;
use App\Languages\SiteVoice;
use App\Serving\Facts\Need;
use App\Serving\VisitFacts;
use App\Support\Html;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Forms\SubmissionState;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/**
 * The download button of a lead magnet, for whoever has filled in a form in this browser, and confirmed the address where the form
 * asks for it; for others, the way to get it. It belongs to the form that was filled in, not to the person whose address was typed.
 */
final class DownloadSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page, SiteVoice $voice): array
    {
        $leadMagnet = $plan->leadMagnet($of);
        if ($leadMagnet === null) {
            return [];
        }
        $blocks = array_filter($page->document->blocksOf(BlockKind::Download), fn (Block $b): bool => $b->field('leadMagnet') === $of);

        $guide = $leadMagnet->guide === null ? null : $plan->guide($leadMagnet->guide);

        return ['guide' => $guide?->address, 'fileName' => $leadMagnet->fileName,
            'kindAndSize' => $leadMagnet->kindAndSize($voice->language()),
            'text' => end($blocks) === false ? '' : end($blocks)->field('text'),
            'asks' => array_values(array_map(fn (FormPlan $f): string => $f->id,
                array_filter($plan->forms, fn (FormPlan $f): bool => $f->doubleOptIn)))];
    }

    public function needs(string $of, array $noted): array
    {
        return [Need::submission()];
    }

    public function fill(string $of, array $noted, string $fallback, VisitFacts $visit): string
    {
        [$fileName, $kindAndSize, $text] = [$noted['fileName'] ?? '', $noted['kindAndSize'] ?? '', $noted['text'] ?? ''];
        if (! is_string($fileName) || ! is_string($kindAndSize) || ! is_string($text)) {
            return '';
        }
        $submission = $visit->loaded->submission();
        $asks = is_array($noted['asks'] ?? null) && in_array($submission?->form, $noted['asks'], true);
        if ($submission === null || ($asks && $submission->state === SubmissionState::Waiting)) {
            return '<a class="button" href="'.Html::text($visit->path()).'">'.Html::text($visit->voice->say('file.ask')).'</a>';
        }

        $guide = $noted['guide'] ?? null;
        $read = is_string($guide) ? '<a class="button" href="'.Html::text($visit->path($guide)).'">'
            .Html::text($visit->voice->say('guide.read')).'</a>' : '';
        if ($fileName === '') {
            return $read;
        }

        [$before, $quiet] = $read === '' ? ['', ''] : [$read.' ', ' quiet'];

        return $before.'<a class="button'.$quiet.'" href="'
            .Html::text(FileLinks::forSubmission($visit->site, $submission->id, $of, $fileName, $visit->now)).'" download>'
            .Html::text($text).'</a> <span class="file-note">'.Html::text($kindAndSize).'</span>';
    }
}
