<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Models\Registration;
use App\Support\Ids;
use App\Support\Instant;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Support\Invalid;
use stdClass;

/** Polls of one question in the room: opened and closed by the host, answered once by each person. */
final class Polls
{
    public const MOST_OPTIONS = 6;

    /**
     * The poll that is open in a room, or was last, as one of those in it sees it: how others answered only after their own answer, or
     * once it is closed.
     *
     * @return array<string, mixed>|null
     */
    public static function shown(Registration $registration, LiveRoom $room): ?array
    {
        $poll = self::latest($room->room->webinar->id, $room->room->session->key);
        if ($poll === null) {
            return null;
        }
        $mine = DB::table('room_votes')->where('poll_id', $poll->id)->where('registration_id', $registration->id)->value('choice');
        $closed = $poll->closed_at !== null;
        if ($closed && $mine === null) {
            return null;
        }

        return ['id' => $poll->id, 'question' => $poll->question, 'options' => json_decode((string) $poll->options, true),
            'mine' => $mine === null ? null : (int) $mine, 'closed' => $closed,
            'counts' => $mine === null && ! $closed ? null : self::counts($poll)];
    }

    private static function latest(string $webinar, string $key): ?stdClass
    {
        return DB::table('room_polls')->where('webinar_id', $webinar)->where('session_key', $key)->orderByDesc('id')->first();
    }

    /** @return list<int> answers by option */
    private static function counts(stdClass $poll): array
    {
        $options = json_decode((string) $poll->options, true);
        $counts = array_fill(0, is_array($options) ? count($options) : 0, 0);
        foreach (DB::table('room_votes')->where('poll_id', $poll->id)->groupBy('choice')->selectRaw('choice, count(*) as '
            .'n')->get() as $row) {
            if (isset($counts[(int) $row->choice])) {
                $counts[(int) $row->choice] = (int) $row->n;
            }
        }

        return $counts;
    }

    /** @return bool did it count? Not a second answer, nor one to a poll that is closed, of another room, or without such an option */
    public static function vote(Registration $registration, string $poll, int $choice): bool
    {
        return DB::transaction(function () use ($registration, $poll, $choice): bool {
            $row = DB::table('room_polls')->where('id', $poll)->where('webinar_id', $registration->webinar_id)
                ->where('session_key', $registration->session_key)->whereNull('closed_at')->first();
            $options = $row === null ? [] : json_decode((string) $row->options, true);

            return $row !== null && is_array($options) && isset($options[$choice])
                && DB::table('room_votes')->insertOrIgnore(['poll_id' => $poll, 'registration_id' => $registration->id,
                    'choice' => $choice]) === 1;
        });
    }

    /**
     * @param  list<string>  $options
     *
     * @throws Invalid
     */
    public static function open(int $business, string $webinar, string $key, string $question, array $options, DateTimeImmutable $now): void
    {
        $question = trim(mb_substr($question, 0, 200));
        $options = array_values(array_unique(array_filter(array_map(fn (string $o): string => trim(mb_substr($o, 0, 120)), $options),
            fn (string $o): bool => $o !== '')));
        if ($question === '') {
            throw Invalid::at('question', 'Please write the question.');
        }
        if (count($options) < 2 || count($options) > self::MOST_OPTIONS) {
            throw Invalid::at('options', 'Please give two to '.self::MOST_OPTIONS.' answers to choose from.');
        }
        DB::transaction(function () use ($business, $webinar, $key, $question, $options, $now): void {
            self::close($webinar, $key, $now);
            DB::table('room_polls')->insert(['id' => Ids::next(), 'business_id' => $business, 'webinar_id' => $webinar,
                'session_key' => $key, 'question' => $question, 'options' => json_encode($options, JSON_THROW_ON_ERROR),
                'opened_at' => Instant::sql($now)]);
        });
    }

    public static function close(string $webinar, string $key, DateTimeImmutable $now): void
    {
        DB::table('room_polls')->where('webinar_id', $webinar)->where('session_key', $key)->whereNull('closed_at')
            ->update(['closed_at' => Instant::sql($now)]);
    }

    /** The last one that was closed is open again: it was closed by mistake. */
    public static function reopen(string $webinar, string $key): void
    {
        $poll = self::latest($webinar, $key);
        if ($poll !== null) {
            DB::table('room_polls')->where('id', $poll->id)->update(['closed_at' => null]);
        }
    }

    /** @return list<array<string, mixed>> as the host sees them, the latest first */
    public static function all(string $webinar, string $key): array
    {
        return array_values(DB::table('room_polls')->where('webinar_id', $webinar)->where('session_key', $key)->orderByDesc('id')->get()
            ->map(fn (stdClass $p): array => ['id' => $p->id, 'question' => $p->question,
                'options' => json_decode((string) $p->options, true), 'counts' => self::counts($p),
                'open' => $p->closed_at === null])->all());
    }
}
