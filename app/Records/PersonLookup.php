<?php

declare(strict_types=1);

namespace App\Records;

use App\Models\Person;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Orders\LineState;
use Lantern\Core\People\State\Deed;
use Lantern\Core\People\State\DoneDeed;
use Lantern\Core\People\State\Enrolment;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\People\State\PlannedEmail;
use Lantern\Core\Sequences\EmailPlan;
use stdClass;

/** Loads what is known of a person, in pieces: those that a kind of decision asks for. */
final class PersonLookup
{
    /** What {@see \Lantern\Core\Journey\Journey} asks for. */
    public static function forJourney(Person $person, DateTimeImmutable $now): PersonState
    {
        return new PersonState(self::zone($person), $person->business->zone(), tags: self::tags($person), deadlines: self::runs($person,
            $now),
            registrations: RegisteredSessions::ofPeople([$person->id])[$person->id] ?? [], enrolments: self::enrolments($person),
            emails: self::emails($person), id: $person->id);
    }

    /** What rules about people ask for. */
    public static function forRules(Person $person, DateTimeImmutable $now): PersonState
    {
        return new PersonState(self::zone($person), $person->business->zone(), subscription: $person->subscription(),
            joined: $person->joined_at, active: $person->active_at, tags: self::tags($person), deadlines: self::runs($person, $now),
            fields: self::fields($person), deeds: self::deeds($person), webinars: RegisteredSessions::known($person->id),
            warmth: $person->subscription()->isReached() ? (int) $person->warmth : 0, guides: Readings::states($person->id));
    }

    /** All that is known of somebody, for a rehearsal. */
    public static function whole(Person $person, DateTimeImmutable $now): PersonState
    {
        return new PersonState(self::zone($person), $person->business->zone(), false, $person->subscription(), $person->joined_at,
            $person->active_at, self::tags($person), self::runs($person, $now),
            RegisteredSessions::ofPeople([$person->id])[$person->id] ?? [],
            self::enrolments($person), self::emails($person), self::fields($person), self::deeds($person),
            RegisteredSessions::known($person->id), self::products($person), $person->id,
            $person->subscription()->isReached() ? (int) $person->warmth : 0, Readings::states($person->id));
    }

    /**
     * What the last look before an email of a sequence goes out asks for.
     *
     * @param  EmailPlan|null  $email  as it is now; null where it is gone
     */
    public static function forEmail(Person $person, ?EmailPlan $email, DateTimeImmutable $now): PersonState
    {
        $known = ($email?->only->isEverybody() ?? true) ? new PersonState(self::zone($person), $person->business->zone(),
            deadlines: $email?->byDeadline() === null ? [] : self::runs($person, $now)) : self::forRules($person, $now);

        return $known->with(registrations: $email?->bySession() === null ? []
            : RegisteredSessions::ofPeople([$person->id], [$email->bySession()->webinar])[$person->id] ?? [],
            products: $email?->byDeadline() === null ? [] : self::products($person));
    }

    /**
     * Somebody known by their browser alone.
     *
     * @param  list<Deadline>  $deadlines  that may know strangers again by where they come from
     */
    public static function stranger(string $visitor, string $ip, DateTimeZone $zone, DateTimeZone $owner, array $deadlines,
        DateTimeImmutable $now): PersonState
    {
        $runs = Runs::of([DeadlineOwner::browser($visitor)->key, DeadlineOwner::everyone()->key], $now);
        foreach ($deadlines as $deadline) {
            if ($deadline->byAddress && ! isset($runs[$deadline->id])) {
                $runs += Runs::of([DeadlineOwner::address($ip, $deadline->id)->key], $now, [$deadline->id]);
            }
        }

        return new PersonState($zone, $owner, tags: [], deadlines: $runs, registrations: [], enrolments: [], emails: []);
    }

    public static function zone(Person $person): DateTimeZone
    {
        return new DateTimeZone($person->timezone ?? $person->business->timezone);
    }

    /** @return list<string> ids of the products that somebody has bought and has not given back, by whatever offer */
    public static function products(Person $person): array
    {
        return array_values(array_map(strval(...), DB::table('order_lines')->join('orders', 'orders.id', '=', 'order_lines.order_id')
            ->where('orders.person_id', $person->id)->where('order_lines.state', LineState::Bought->value)->distinct()
            ->pluck('order_lines.product_id')->all()));
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

    /** @return list<string> */
    private static function tags(Person $person): array
    {
        return array_values(array_map(strval(...), $person->tags()->pluck('name')->all()));
    }

    /** @return array<string, Run> by deadline */
    private static function runs(Person $person, DateTimeImmutable $now): array
    {
        return Runs::of([DeadlineOwner::person($person->id)->key, DeadlineOwner::everyone()->key], $now);
    }

    /** @return array<string, Enrolment> by sequence */
    private static function enrolments(Person $person): array
    {
        return DB::table('enrolments')->where('person_id', $person->id)->get(['sequence_id', 'started_at', 'run', 'ended_at', 'variant'])
            ->mapWithKeys(fn (stdClass $e): array => [(string) $e->sequence_id => new Enrolment(self::moment($e->started_at), (int) $e->run,
                $e->ended_at !== null, (string) $e->variant)])->all();
    }

    /** @return list<PlannedEmail> */
    private static function emails(Person $person): array
    {
        return array_values(DB::table('messages')->leftJoin('registrations', 'registrations.id', '=', 'messages.registration_id')
            ->where('messages.person_id', $person->id)->whereNotNull('email_id')->orderBy('messages.id')
            ->get(['email_id', 'sequence_id', 'due_at', 'messages.state', 'webinar_id'])
            ->map(fn (stdClass $m): PlannedEmail => new PlannedEmail((string) $m->email_id, (string) $m->sequence_id,
                self::moment($m->due_at), MessageState::from((string) $m->state), (string) $m->webinar_id))->all());
    }

    /** @return array<string, list<string>> by name */
    private static function fields(Person $person): array
    {
        $values = array_map(fn (string $v): array => [$v],
            ['first_name' => $person->first_name, 'last_name' => $person->last_name, 'email' => $person->email,
                'phone' => $person->phone, 'timezone' => $person->timezone ?? '']);
        foreach (DB::table('person_values')->where('person_id', $person->id)->orderBy('id')->get(['name', 'value']) as $row) {
            if (! in_array($row->name, PersonState::OF_PERSON, true)) {
                $values[(string) $row->name][] = (string) $row->value;
            }
        }

        return $values;
    }

    /** @return list<DoneDeed> */
    private static function deeds(Person $person): array
    {
        $deeds = [];
        foreach (DB::table('events')->where('person_id', $person->id)->whereIn('type', array_column(Deed::EVENTS, 'value'))
            ->get(['type', 'funnel_id', 'page_id', 'at']) as $event) {
            foreach (array_filter([$event->funnel_id, $event->page_id]) ?: [''] as $with) {
                $deeds[] = new DoneDeed(Deed::from((string) $event->type), (string) $with, self::moment($event->at));
            }
        }
        foreach (DB::table('messages')->where('person_id', $person->id)->whereNotNull('sent_at')
            ->get(['email_id', 'broadcast_id', 'sent_at', 'opened_at', 'clicked_at']) as $message) {
            $with = (string) ($message->email_id ?? $message->broadcast_id);
            foreach ([[Deed::WasSent, $message->sent_at], [Deed::Opened, $message->opened_at],
                [Deed::Clicked, $message->clicked_at]] as [$deed, $at]) {
                if ($at !== null) {
                    $deeds[] = new DoneDeed($deed, $with, self::moment($at));
                }
            }
        }

        return $deeds;
    }

    private static function moment(mixed $sql): DateTimeImmutable
    {
        return new DateTimeImmutable((string) $sql, new DateTimeZone('UTC'));
    }
}
