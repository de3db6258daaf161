<?php

declare(strict_types=1);

namespace App\Serving\Slots;

use App\Files\FileLinks;
use App\Models\Delivery;
use App\Serving\Visit;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** The download button of a lead magnet, for whoever has joined in this browser; for others, the way to get it. */
final class DownloadSlot implements Slot
{
    public function note(string $of, Plan $plan, PagePlan $page): array
    {
        $leadMagnet = $plan->leadMagnet($of);
        if ($leadMagnet === null) {
            return [];
        }
        $blocks = array_filter($page->document->blocksOf(BlockKind::Download), fn (Block $b): bool => $b->field('leadMagnet') === $of);

        return ['fileName' => $leadMagnet->fileName, 'kindAndSize' => $leadMagnet->kindAndSize(),
            'text' => end($blocks) === false ? '' : end($blocks)->field('text')];
    }

    public function fill(string $of, array $noted, string $fallback, Visit $visit): string
    {
        [$fileName, $kindAndSize, $text] = [$noted['fileName'] ?? '', $noted['kindAndSize'] ?? '', $noted['text'] ?? ''];
        if (! is_string($fileName) || ! is_string($kindAndSize) || ! is_string($text)) {
            return '';
        }
        $delivery = $visit->submission === null ? null : Delivery::query()->where('person_id', $visit->submission->person_id)
            ->where('lead_magnet_id', $of)->whereNull('revoked_at')->first();
        if ($delivery === null) {
            return '<a class="button" href="'.e($visit->path()).'">'.e('Tell me where to send it').'</a>';
        }

        return '<a class="button" href="'.e(FileLinks::forPage($delivery, $fileName)).'" download>'.e($text).'</a> '
            .'<span class="file-note">'.e($kindAndSize).'</span>';
    }
}
