<?php

declare(strict_types=1);

namespace App\Guides;

use App\Records\GuideFacts;
use App\Support\Instant;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** What readers of a guide write and tick: kept as they go, and shown to them when they come back. */
final class Answers
{
    public const LONGEST = 5000;

    /** So many are taken of one report. */
    public const MOST = 100;

    /**
     * @param  list<array{string, int, string|bool}>  $answers  block, which thing of a check-list or -1, and words or a tick
     */
    public static function take(string $reading, array $answers, GuideFacts $facts, DateTimeImmutable $now): void
    {
        foreach (array_slice($answers, 0, self::MOST) as [$block, $item, $value]) {
            $things = $facts->answers[$block] ?? null;
            $isWords = $things === 0 && $item === -1 && is_string($value);
            if (! $isWords && ! ($things !== null && $item >= 0 && $item < $things && is_bool($value))) {
                continue;
            }
            $which = ['reading_id' => $reading, 'block_id' => $block, 'item' => $item];
            if ($value === false || (is_string($value) && trim($value) === '')) {
                DB::table('guide_answers')->where($which)->delete();
            } else {
                DB::table('guide_answers')->updateOrInsert($which, ['words' => is_string($value) ? mb_substr($value, 0, self::LONGEST)
                    : null,
                    'at' => Instant::sql($now)]);
            }
        }
    }

    /**
     * What somebody said, the latest of each.
     *
     * @param  string|null  $submission  by one door alone; null for all of a person's
     * @return array<string, string> words by block, and '1' for what is ticked by `block-number`
     */
    public static function of(string $person, string $guide, ?string $submission = null): array
    {
        $said = [];
        foreach (DB::table('guide_answers')->join('guide_readings', 'guide_readings.id', '=', 'guide_answers.reading_id')
            ->where('person_id', $person)->where('guide_id', $guide)
            ->when($submission !== null, fn ($q) => $q->where('submission_id', $submission))->orderBy('at')->orderBy('guide_answers.id')
            ->get(['block_id', 'item', 'words']) as $row) {
            (int) $row->item < 0 ? $said[(string) $row->block_id] = (string) $row->words : $said["{$row->block_id}-{$row->item}"] = '1';
        }

        return $said;
    }
}
