<?php

declare(strict_types=1);

namespace App\Rendering;

use App\Models\Business;
use App\Models\Upload;
use App\Support\Hosts;
use Illuminate\Support\Facades\Storage;
use Lantern\Core\Page\Look\Tones;
use Lantern\Core\Page\PageFacts;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** Looks up what is known of the pictures and videos that pages show. */
final class PictureFacts
{
    /**
     * @param  list<PagePlan>|null  $pages  all of the plan's and their variants, if none are named
     * @return array<string, Upload> by id
     */
    public function uploads(Plan $plan, ?array $pages, int $business): array
    {
        $ids = [$plan->logo, $plan->icon];
        foreach ($pages ?? $plan->pages as $page) {
            array_push($ids, $page->settings->picture, ...$page->document->pictures(), ...$page->document->videos());
        }
        foreach ($pages === null ? [...$plan->variants, ...$plan->guidePages] : [] as $other) {
            array_push($ids, ...$other->uploads());
        }
        $ids = array_values(array_unique(array_filter($ids, fn (?string $id): bool => $id !== null)));

        return $ids === [] ? [] : Upload::query()->where('business_id', $business)->whereIn('kind', ['picture', 'video'])
            ->whereIn('id', $ids)->get()->keyBy('id')->all();
    }

    /**
     * @param  array<string, Upload>  $uploads
     * @param  bool  $weighed  look up what each picture weighs as well, which asks the disk
     */
    public function known(array $uploads, Business $business, bool $weighed = false): PageFacts
    {
        $tones = [];
        $bytes = [];
        foreach ($uploads as $id => $upload) {
            if ($upload->kind === 'picture') {
                $tones[$id] = $upload->tones === null ? Tones::unknown() : new Tones((float) $upload->tones[0], (float) $upload->tones[1]);
                $widest = "{$upload->path}/".max([0, ...$upload->widths ?? []]).'.webp';
                if ($weighed && Storage::disk('uploads')->exists($widest)) {
                    $bytes[$id] = Storage::disk('uploads')->size($widest);
                }
            }
        }

        return new PageFacts($tones, $bytes, $business->embed_hosts, Hosts::areSeparate());
    }

    public function ofPlan(Plan $plan, Business $business): PageFacts
    {
        return $this->known($this->uploads($plan, null, $business->id), $business, weighed: true);
    }
}
