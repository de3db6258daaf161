<?php

declare(strict_types=1);

namespace App\People;

use App\Journey\CarriesOut;
use App\Journey\EffectContext;
use App\Support\Ids;
use App\Support\Instant;
use DateTimeInterface;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\WriteNote;

/** Notes of people, for the owner alone: written by hand, or by a rule. */
final class Notes implements CarriesOut
{
    public function carryOut(Effect $effect, EffectContext $context): void
    {
        if ($effect instanceof WriteNote) {
            self::write($context->person->id, null, $effect->words, $context->at);
        }
    }

    /**
     * @param  int|null  $by  the user who wrote it; none where a rule did
     * @return string its id
     */
    public static function write(string $person, ?int $by, string $words, DateTimeInterface $at): string
    {
        $now = Instant::sql($at);
        DB::table('person_notes')->insert(['id' => $id = Ids::next(), 'person_id' => $person, 'user_id' => $by, 'words' => $words,
            'created_at' => $now, 'updated_at' => $now]);

        return $id;
    }
}
