<?php

declare(strict_types=1);

namespace App\Deadlines;

use App\Mail\Sequences\Replanner;
use App\Models\Funnel;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** The emails that are told from a deadline follow it wherever it moves. */
final readonly class Emails
{
    public function __construct(private Replanner $replanner)
    {
    }

    /** @param  list<string>  $people  ids of those for whom it stands otherwise than before */
    public function follow(string $deadline, array $people): void
    {
        $funnel = DB::table('deadline_facts')->where('deadline_id', $deadline)->value('funnel_id');
        $version = is_string($funnel) ? Funnel::query()->with(['liveVersion.funnel.business'])->find($funnel)?->liveVersion : null;
        if ($version !== null) {
            $this->replanner->followDeadline($version, $deadline, $people, CarbonImmutable::now());
        }
    }
}
