<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateInterval;
use DateTimeImmutable;
use Lantern\Core\Agenda\PersonAgenda;
use Lantern\Core\Agenda\PersonMoment;
use Lantern\Core\Agenda\PersonMomentKind;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Events\Trigger\DateComes;
use Lantern\Core\Events\Trigger\DeadlineNear;
use Lantern\Core\Experiments\Assignment;
use Lantern\Core\Messages\MessageKind;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Messages\SendVerdict;
use Lantern\Core\People\State\Deed;
use Lantern\Core\People\State\DoneDeed;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\People\State\PlannedEmail;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sending\EmailReader;
use Lantern\Core\Sending\Recipient;
use Lantern\Core\Sending\SendCheck;
use Lantern\Core\Sending\SequenceCheck;
use Lantern\Core\Sending\SequenceFacts;
use Lantern\Core\Webinars\Webinar;

/**
 * Time passes in a rehearsal, and whatever is due for its visitor happens at its moment, in the order of {@see \Lantern\Core\Agenda\Task}.
 */
final readonly class Passing
{
    /** What is due at one moment, in order. */
    private const OVER = 0;

    private const SETTLES = 1;

    private const NEAR = 2;

    private const DATE = 3;

    private const RULE = 4;

    private const RECEIPT = 5;

    private const EMAIL = 6;

    private const PAYMENT = 7;

    /**
     * Deadlines of which something waits for the hours before their end: the key, the id, the hours.
     *
     * @var list<array{string, string, int}>
     */
    private array $near;

    /** @var list<DateComes> days that something waits for */
    private array $days;

    public function __construct(private Stage $stage, private Following $following)
    {
        $near = $days = [];
        foreach ($stage->waitedFor() as $key) {
            $of = DeadlineNear::ofKey($key);
            $near[] = $of === null ? null : [$key, ...$of];
            $days[] = DateComes::ofKey($key);
        }
        $this->near = array_values(array_filter($near, fn (?array $n): bool => $n !== null));
        $this->days = array_values(array_filter($days, fn (?DateComes $d): bool => $d !== null));
    }

    public function until(Life $life, DateTimeImmutable $to): void
    {
        while (($due = $this->next($life, true)) !== null && $due[0] <= $to) {
            $life->now = max($life->now, $due[0]);
            match ($due[1]) {
                self::OVER => $this->over($life, $due[2]),
                self::SETTLES => $this->settles($life, $due[2]),
                self::NEAR => $this->near($life, $due[2]),
                self::DATE => $this->day($life, $due[2]),
                self::RULE => (new RulesActing($this->stage, $this->following))->act($life),
                self::RECEIPT => $this->receipt($life, (int) $due[2]),
                self::PAYMENT => $this->pays($life),
                default => $this->send($life, $due[2]),
            };
        }
        $life->now = max($life->now, $to);
    }

    /**
     * When something is due next by itself that changes what they may do: an email, an end, a session that begins or is over. For a later
     * payment of a plan nobody waits.
     */
    public function nextMoment(Life $life): ?DateTimeImmutable
    {
        $moments = array_map(fn ($m): DateTimeImmutable => $m->at, $this->agenda($life));
        $own = $this->next($life, false);
        $moments = array_values(array_filter([...$moments, ...($own === null ? [] : [$own[0]])],
            fn (DateTimeImmutable $at): bool => $at > $life->now));

        return $moments === [] ? null : min($moments);
    }

    /** @return array{DateTimeImmutable, int, string}|null what comes first: when, which of the constants, and what it is about */
    private function next(Life $life, bool $payments): ?array
    {
        $known = Following::known($life);
        $later = $payments ? $life->instalments[$life->instalmentsPaid] ?? null : null;
        $due = $later === null ? [] : [[$later['at'], self::PAYMENT, '']];
        foreach ($known->deadlines() as $id => $run) {
            $at = $run->endsAt->modify('+'.($this->stage->plan->deadline((string) $id)->grace ?? 0).' minutes');
            // The end of one that is for everyone is told to whoever has joined; to whoever joins later, as soon as they have.
            if (! isset($life->over[Following::end((string) $id, $run)]) && $this->isTold($life, $run)) {
                $due[] = [max($at, $life->now), self::OVER, (string) $id];
            }
        }
        foreach ($life->seats as $id => $seat) {
            $registered = $known->registrations()[$id] ?? null;
            $webinar = $this->stage->plan->webinar((string) $id);
            if ($seat->open && $registered !== null && $webinar !== null) {
                $at = $webinar->settlesAt($registered->session, $this->stage->length($webinar));
                $due[] = [$at->modify('+'.Webinar::REPORTS_COME.' seconds'), self::SETTLES, (string) $id];
            }
        }
        array_push($due, ...$this->expected($life, $known));
        $rule = RulesBegun::next($life);
        $due[] = $rule === null ? null : [max($rule->begun->due, $life->now), self::RULE, $rule->begun->rule];
        foreach ($life->orders as $number => $order) {
            $due[] = $order->receiptAt === null ? null : [$order->receiptAt, self::RECEIPT, (string) $number];
        }
        foreach ($this->agenda($life) as $moment) {
            if ($moment->kind === PersonMomentKind::Email) {
                $due[] = [$moment->at, self::EMAIL, $moment->of];
                break;
            }
        }
        $due = array_values(array_filter($due, fn (?array $d): bool => $d !== null));
        usort($due, fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);

        return $due[0] ?? null;
    }

    /** Are they somebody who is told of the end of a deadline? Of one that is for everyone, those are all who have joined its funnel. */
    private function isTold(Life $life, Run $run): bool
    {
        return $life->known && (! $run->forAll || array_filter($life->person->deeds(), fn (DoneDeed $d): bool => $d->deed === Deed::Joined
            && $d->with === $this->stage->plan->id) !== []);
    }

    /**
     * That deadlines are nearly over, and days in their fields, where something waits for that.
     *
     * @return list<array{DateTimeImmutable, int, string}>
     */
    private function expected(Life $life, PersonState $known): array
    {
        $due = [];
        foreach ($life->known ? $this->near : [] as [$key, $deadline, $hours]) {
            $run = $known->deadlines()[$deadline] ?? null;
            $at = $run?->endsAt->sub(new DateInterval("PT{$hours}H"));
            if ($run !== null && $this->isTold($life, $run) && $at !== null && $at >= $run->startedAt && $run->endsAt > $life->now
                && ! isset($life->near[$key.' '.Following::end($deadline, $run)])) {
                $due[] = [max($at, $life->now), self::NEAR, $key];
            }
        }
        foreach ($life->known ? $this->days : [] as $date) {
            foreach ($known->values($date->field) as $day) {
                $next = $date->next($day, $known->zone, $life->now);
                if ($next !== null) {
                    $due[] = [$next, self::DATE, $date->key()];
                }
            }
        }

        return $due;
    }

    private function near(Life $life, string $key): void
    {
        [$deadline, $hours] = DeadlineNear::ofKey($key) ?? ['', 0];
        $life->near[$key.' '.Following::end($deadline, $life->person->deadlines()[$deadline])] = true;
        $life->tell(HappeningKind::DeadlineNear, $deadline, '“'.$this->stage->plan->nameOf($deadline).'” is nearly over for them.');
        $this->following->take($life, new Event(EventType::DeadlineNear, $life->now, deadline: $deadline, hours: $hours));
    }

    private function day(Life $life, string $key): void
    {
        $date = DateComes::ofKey($key);
        $life->tell(HappeningKind::DateCame, $date->field ?? '', ($date?->words(fn (string $f): string => $this
            ->stage->fields[$f] ?? $f) ?? '').'.');
        $this->following->hearOfNoFunnel($life, new Event(EventType::DateCame, $life->now, date: $key));
    }

    /** @return list<PersonMoment> without the emails of sequences that stand still */
    private function agenda(Life $life): array
    {
        $moments = PersonAgenda::of($life->person, $life->now);

        return $this->stage->paused === [] ? $moments : array_values(array_filter($moments,
            fn (PersonMoment $m): bool => $m->kind !== PersonMomentKind::Email
                || ! in_array(self::waiting($life, $m->of)->sequence ?? '', $this->stage->paused, true)));
    }

    /** Of several that wait under one id, the one that is due first. */
    private static function waiting(Life $life, string $email): ?PlannedEmail
    {
        $waiting = array_values(array_filter($life->person->emails(), fn (PlannedEmail $e): bool => $e->email === $email
            && $e->state === MessageState::Waiting));
        usort($waiting, fn (PlannedEmail $a, PlannedEmail $b): int => $a->due <=> $b->due);

        return $waiting[0] ?? null;
    }

    private function over(Life $life, string $deadline): void
    {
        $run = $life->person->deadlines()[$deadline];
        $life->over[Following::end($deadline, $run)] = true;
        $life->tell(HappeningKind::DeadlineOver, $deadline, '“'.$this->stage->plan->nameOf($deadline).'” is over for them.',
            ['ended' => Moments::written($run->endsAt)]);
        $this->following->take($life, new Event(EventType::DeadlineOver, $life->now, deadline: $deadline));
    }

    private function settles(Life $life, string $webinar): void
    {
        $attendee = Attending::attendee($this->stage, $life, $webinar);
        $became = $attendee?->became($life->now) ?? [];
        $life->seats[$webinar] = $life->seats[$webinar]->settled();
        foreach ($became as $outcome) {
            (new Attending($this->stage, $this->following))->comes($life, $webinar, $outcome);
        }
    }

    private function receipt(Life $life, int $number): void
    {
        $order = $life->orders[$number];
        if (array_diff($order->offers, $order->onReceipts) !== []) {
            $life->mails[] = new Mail('receipt', (string) $number, $life->now, 'Receipt');
            $life->tell(HappeningKind::Email, '', 'The receipt comes.', ['kind' => 'receipt']);
        }
        $life->putOrder($number, $order->receiptSent());
    }

    /** The next payment of a plan, by the card with which they bought: it is not refused. */
    private function pays(Life $life): void
    {
        $payment = $life->instalments[$life->instalmentsPaid++];
        $life->paid += $payment['amount'];
        $life->mails[] = new Mail('receipt', (string) $payment['order'], $life->now, 'Receipt');
        $life->tell(HappeningKind::Paid, '', 'The next payment of their plan is made, and its receipt comes.',
            ['kind' => 'receipt', 'paid' => $payment['amount']]);
    }

    private function send(Life $life, string $id): void
    {
        $planned = self::waiting($life, $id);
        $plan = $this->stage->planOf($id);
        if ($planned === null) {
            return;
        }
        $verdict = $plan === null ? SendVerdict::cancel(SequenceCheck::REMOVED) : $this->verdict($life, $plan, $id);
        if ($verdict->later !== null) {
            $life->person = $life->person->withEmailDue($planned, $verdict->later);

            return;
        }
        $life->person = $life->person->withEmailIn($planned, $verdict->goes() ? MessageState::Sent : MessageState::Cancelled);
        $name = $plan?->email($id)->name ?? 'An email';
        if (! $verdict->goes()) {
            $life->tell(HappeningKind::NotSent, $id, "“{$name}” does not go to them. {$verdict->cancel}", ['why' => $verdict->cancel]);

            return;
        }
        $life->person = $life->person->having(new DoneDeed(Deed::WasSent, $id, $life->now));
        $letter = $plan === null ? '' : self::letter($life, $plan, $id);
        $webinar = $plan?->email($id)?->bySession()?->webinar;
        $life->mails[] = new Mail('sequence', $id, $life->now, $name, $letter, EmailReader::of(Following::known($life), $webinar,
            self::became($life, $webinar)));
        $life->tell(HappeningKind::Email, $id, "“{$name}” comes.",
            ['kind' => 'sequence'] + ($letter === '' ? [] : ['variant' => $letter]));
    }

    private function verdict(Life $life, Plan $plan, string $id): SendVerdict
    {
        $known = Following::known($life);
        $verdict = SendCheck::of(MessageKind::Sequence, true, true, new Recipient($known->subscription), $life->now);
        $webinar = $plan->email($id)?->bySession()?->webinar;
        $seat = $webinar === null ? null : $life->seats[$webinar] ?? null;

        return $verdict->goes() ? SequenceCheck::of($plan, $id, new SequenceFacts($known, settled: $seat === null || ! $seat->open,
            became: self::became($life, $webinar)), $life->now) : $verdict;
    }

    /** @return list<string>|null what became of them in the session that they have; null where they have none */
    private static function became(Life $life, ?string $webinar): ?array
    {
        return ($life->seats[(string) $webinar] ?? null)?->became($life->person->registrations()[(string) $webinar]->waiting ?? true);
    }

    private static function letter(Life $life, Plan $plan, string $email): string
    {
        $test = $plan->testOf($email);

        return $test === null ? '' : $life->visitor->letters[$test->id] ?? Assignment::of($test->id, $life->person->id, $plan
            ->weightsOf($test));
    }
}
