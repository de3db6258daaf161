<?php

declare(strict_types=1);

namespace App\Deadlines;

use App\Models\Funnel;
use App\Models\Version;
use App\Records\DeadlineOwner;
use App\Records\Runs;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\Fact;
use Lantern\Core\Deadlines\FactType;

/** Deadlines that are one moment for everyone begin, and move, when a version with them goes live. */
final class PublishedDeadlines
{
    public function follow(Funnel $funnel, Version $version): void
    {
        // Most funnels have none, and their plan need not be read for that.
        if (! in_array(Deadline::kind(), array_column((array) ($version->plan['parts'] ?? []), 'kind'), true)) {
            return;
        }
        $now = CarbonImmutable::now();
        foreach ($version->plan()->deadlines as $deadline) {
            DB::table('deadline_kinds')->upsert(['deadline_id' => $deadline->id, 'funnel_id' => $funnel->id,
                'personal' => $deadline->isPersonal()], ['deadline_id'], ['personal']);
            $run = $deadline->forEveryone($now);
            $known = $run === null ? null : Runs::forEveryone($deadline->id);
            // What is promised to everyone at once is what is published: a moved moment holds for all of them.
            if ($run !== null && $known?->endsAt != $run->endsAt) {
                Runs::add(['id' => $deadline->id, 'name' => $deadline->name, 'funnel' => $funnel->id, 'business' => $funnel->business_id],
                    DeadlineOwner::everyone(), new Fact($known === null ? FactType::Started : FactType::Moved, $now, $run->endsAt,
                        $known === null ? "Published in version {$version->number}." : "Moved in version {$version->number}."));
            }
        }
    }
}
