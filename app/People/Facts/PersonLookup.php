<?php

declare(strict_types=1);

namespace App\People\Facts;

use App\Deadlines\Running\DeadlineOwner;
use App\Deadlines\Running\Runs;
use App\Models\Person;
use App\Webinars\Registrations\RegisteredSessions;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Emails\MessageState;
use Lantern\Core\Journey\Visitor;
use Lantern\Core\Rules\Deed;
use Lantern\Core\Rules\PersonFacts;

/** Looks up what is known of a person, in the words of the core. */
final class PersonLookup
{
    /** Deeds by the type of the event they were kept as. */
    public const EVENTS = ['viewed' => Deed::Viewed, 'joined' => Deed::Joined, 'downloaded' => Deed::Downloaded, 'bought' => Deed::Bought];

    public static function visitor(Person $person): Visitor
    {
        return new Visitor(
            self::zone($person),
            array_values(array_map(strval(...),
                DB::table('messages')->where('person_id', $person->id)->whereNotNull('email_id')->pluck('email_id')->all())),
            array_values(array_map(strval(...), $person->tags()->pluck('name')->all())),
            DB::table('enrolments')->where('person_id', $person->id)->get(['sequence_id', 'ended_at'])
                ->mapWithKeys(fn ($e): array => [(string) $e->sequence_id => $e->ended_at === null])->all(),
            $person->business->zone(),
            self::through($person),
            Runs::of([DeadlineOwner::person($person->id)->key, DeadlineOwner::everyone()->key]),
            registrations: RegisteredSessions::ofPeople([$person->id])[$person->id] ?? [],
        );
    }

    /**
     * Somebody known by their browser alone.
     *
     * @param  list<Deadline>  $deadlines  that may know strangers again by where they come from
     */
    public static function stranger(string $visitor, string $ip, DateTimeZone $zone, DateTimeZone $owner, array $deadlines): Visitor
    {
        $runs = Runs::of([DeadlineOwner::browser($visitor)->key, DeadlineOwner::everyone()->key]);
        foreach ($deadlines as $deadline) {
            if ($deadline->byAddress && ! isset($runs[$deadline->id])) {
                $runs += Runs::of([DeadlineOwner::address($ip, $deadline->id)->key], [$deadline->id]);
            }
        }

        return new Visitor($zone, ownerZone: $owner, deadlines: $runs);
    }

    /** @return list<string> ids of the sequences the person is in of which the last email has gone */
    public static function through(Person $person): array
    {
        return array_values(array_map(strval(...), DB::table('enrolments')->where('enrolments.person_id', $person->id)
            ->whereNull('ended_at')->whereNotExists(self::onTheWay(...))->pluck('sequence_id')->all()));
    }

    /** Emails of the sequence of an enrolment that wait or are going out. */
    public static function onTheWay(Builder $query): Builder
    {
        return $query->selectRaw('1')->from('messages')->whereColumn('messages.person_id', 'enrolments.person_id')
            ->whereColumn('messages.sequence_id', 'enrolments.sequence_id')
            ->whereIn('messages.state', [MessageState::Waiting, MessageState::Sending]);
    }

    public static function zone(Person $person): DateTimeZone
    {
        return new DateTimeZone($person->timezone ?? $person->business->timezone);
    }

    public static function facts(Person $person, DateTimeImmutable $now): PersonFacts
    {
        $values = array_map(fn (string $v): array => [$v],
            ['first_name' => $person->first_name, 'last_name' => $person->last_name, 'email' => $person->email,
                'phone' => $person->phone, 'timezone' => $person->timezone ?? '']);
        foreach (DB::table('person_values')->where('person_id', $person->id)->orderBy('id')->get(['name', 'value']) as $row) {
            if (! in_array($row->name, PersonFacts::OF_PERSON, true)) {
                $values[(string) $row->name][] = (string) $row->value;
            }
        }
        $utc = new DateTimeZone('UTC');
        $deeds = [];
        foreach (DB::table('events')->where('person_id', $person->id)->whereIn('type', array_keys(self::EVENTS))
            ->get(['type', 'funnel_id', 'page_id', 'at']) as $event) {
            foreach (array_filter([$event->funnel_id, $event->page_id]) ?: [''] as $of) {
                $deeds[] = ['did' => self::EVENTS[$event->type], 'with' => (string) $of,
                    'at' => new DateTimeImmutable((string) $event->at, $utc)];
            }
        }
        foreach (DB::table('messages')->where('person_id', $person->id)->whereNotNull('sent_at')
            ->get(['email_id', 'broadcast_id', 'sent_at', 'opened_at', 'clicked_at']) as $message) {
            $of = (string) ($message->email_id ?? $message->broadcast_id);
            foreach ([[Deed::WasSent, $message->sent_at], [Deed::Opened, $message->opened_at],
                [Deed::Clicked, $message->clicked_at]] as [$did,
                    $at]) {
                if ($at !== null) {
                    $deeds[] = ['did' => $did, 'with' => $of, 'at' => new DateTimeImmutable((string) $at, $utc)];
                }
            }
        }

        return new PersonFacts($now, $person->business->zone(), $values,
            array_values(array_map(strval(...), $person->tags()->pluck('name')->all())),
            $deeds, $person->subscription(), $person->joined_at, $person->active_at,
            Runs::of([DeadlineOwner::person($person->id)->key, DeadlineOwner::everyone()->key]), RegisteredSessions::known($person->id));
    }
}
