<?php

declare(strict_types=1);

namespace App\Deadlines;

use App\Experiments\Exposures;
use App\Records\Runs;
use App\Support\Instant;
use App\Warmth\Scores;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** A browser turns out to be somebody's: what it did before was theirs. */
final readonly class Joining
{
    public function __construct(private Emails $emails)
    {
    }

    public function join(string $visitor, string $person, DateTimeImmutable $at): void
    {
        DB::transaction(function () use ($visitor, $person, $at): void {
            DB::table('visitor_person')
                ->upsert(['visitor' => $visitor, 'person_id' => $person, 'joined_at' => Instant::sql($at)], ['visitor'], ['person_id']);
            $more = DB::table('events')->where('visitor', $visitor)->whereNull('person_id')->update(['person_id' => $person]);
            if ($more > 0) {
                Scores::anew($person, $at);
            }
            Exposures::join($visitor, $person);
            DB::table('popup_facts')->where('visitor', $visitor)->whereNull('person_id')->update(['person_id' => $person]);
            foreach (Runs::join($visitor, $person, $at) as $deadline) {
                $this->emails->follow($deadline, [$person]);
            }
        });
    }
}
