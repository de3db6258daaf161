<?php

declare(strict_types=1);

namespace App\Front;

use App\Deadlines\VisitorIdentity;
use App\Records\DeadlineOwner;
use App\Records\Runs;
use App\Serving\Browser;
use App\Serving\Facts\Loaded;
use App\Serving\Facts\Need;
use App\Serving\Facts\NeedKind;
use App\Serving\Facts\PlacesFacts;
use App\Serving\Facts\SubmissionFacts;
use App\Support\Instant;
use App\Support\SiteCookie;
use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Deadlines\DeadlineStates;
use Lantern\Core\Deadlines\HeldRun;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Experiments\Assignment;
use Lantern\Core\Forms\SubmissionState;
use PDO;

/**
 * What a page must know of its visitor, loaded with bare queries: the same that `Serving\Facts\LoadsFacts`, `Deadlines\States` and
 * `Experiments\Exposures` load through the framework. Where more would be asked for, the framework answers ({@see GoOn}).
 */
final class FrontFacts
{
    /** @var array<string, mixed>|false|null the row of the form that was filled in here; false before it was asked for */
    private array|false|null $submission = false;

    public function __construct(private readonly PDO $pdo, private readonly Ask $ask, private readonly string $funnel,
        private readonly DateTimeImmutable $now)
    {
    }

    /**
     * @param  list<Need>  $needs
     *
     * @throws GoOn
     */
    public function for(array $needs): Loaded
    {
        $known = [];
        foreach ($needs as $need) {
            $known[$need->key()] ??= match ($need->kind) {
                NeedKind::Submission => $this->submissionFacts(),
                // Whoever has bought, or came by an email of ours, is known by more than a query can tell.
                NeedKind::Order => $this->nothing(SiteCookie::Order),
                NeedKind::Reader => $this->nothing(SiteCookie::Reader),
                NeedKind::PlacesToRegister => $this->places($need),
                default => throw new GoOn($need->key()),
            };
        }

        return new Loaded($known);
    }

    /** Whose browser it is, as far as deadlines are concerned. */
    public function identity(DateTimeZone $owners): VisitorIdentity
    {
        $visitor = $this->visitor();
        if ($visitor !== null) {
            // Who is known may have sent a form once more, and a deadline begin by that.
            $this->noneYet('visitor', $visitor);
        }
        $person = $this->personOf($visitor);
        if ($person === null) {
            $this->nothing(SiteCookie::Reader);
            $submission = $this->submission();
            $person = is_string($submission['person_id'] ?? null) ? $submission['person_id']
                : $this->noneYet('submission', (string) $this->ask->kept(SiteCookie::Joined));
            if ($person === null) {
                $this->nothing(SiteCookie::Order);
            }
        }
        $people = $person === null ? [] : $this->rows('select o.id, k.timezone from people k left join people o on o.business_id = '
            ."k.business_id and o.mailbox = k.mailbox and o.mailbox != '' where k.id = ? order by o.id", [$person]);
        $zone = Browser::zone($people[0]['timezone'] ?? null) ?? Browser::zone($this->ask->kept(SiteCookie::Zone));

        return new VisitorIdentity($person === null ? [] : array_values(array_unique([$person, ...array_filter(array_column($people, 'id'),
            is_string(...))])), $visitor, $this->ask->ip ?? '', $zone === null ? $owners : new DateTimeZone($zone));
    }

    /**
     * @param  list<Deadline>  $deadlines
     *
     * @throws GoOn where one is over and nobody has noticed yet
     */
    public function states(array $deadlines, VisitorIdentity $identity): DeadlineStates
    {
        $holders = [];
        foreach ($deadlines as $deadline) {
            if ($deadline->byAddress && $this->ask->ip === null) {
                throw new GoOn('Only the framework knows whom a proxy speaks for.');
            }
            array_push($holders, ...$identity->holders($deadline), ...[DeadlineOwner::everyone()->key]);
        }
        $ids = array_map(fn (Deadline $d): string => $d->id, $deadlines);
        $found = [];
        $holders = array_values(array_unique($holders));
        foreach ($ids === [] ? [] : $this->rows('select r.deadline_id, r.holder, r.started_at, r.ends_at, r.why, r.closed_at, k.personal '
            .'from deadline_runs r left join deadline_kinds k on k.deadline_id = r.deadline_id where r.deadline_id in '
            .self::marks($ids).' and r.holder in '.self::marks($holders), [...$ids, ...$holders]) as $row) {
            $found[(string) $row['deadline_id']][] = Runs::read((object) $row);
        }
        $runs = array_filter(array_map(fn (array $all): ?Run => HeldRun::of($all, $this->now), $found));
        $states = DeadlineStates::of($deadlines, $runs, $this->now);
        foreach ($runs as $id => $run) {
            if (! $run->closed && $states->state($id) === DeadlineState::Over) {
                throw new GoOn("The deadline {$id} is over.");
            }
        }

        return $states;
    }

    /**
     * Which variant of a page in a split test somebody gets.
     *
     * @param  array<string, int>  $weights  by letter
     */
    public function letter(string $test, array $weights, string $visitor, bool $isNew): string
    {
        $person = $isNew ? null : $this->personOf($visitor);
        if ($person === null) {
            $this->nothing(SiteCookie::Reader);
        }
        $seen = $person === null ? null : $this->value('select variant from experiment_people where experiment_id = ? and person_id = ? '
            .'order by seen_at, id limit 1', [$test, $person]);
        $seen ??= $isNew ? null : $this->value('select variant from experiment_people where experiment_id = ? and visitor = ? limit 1',
            [$test, $visitor]);

        return Assignment::keeping($seen, $test, $person ?? $visitor, $weights);
    }

    /** @return array{ended_at: string|null, winner: string|null}|null */
    public function experiment(string $test): ?array
    {
        /** @var array{ended_at: string|null, winner: string|null}|null $row */
        $row = $this->rows('select ended_at, winner from experiments where id = ?', [$test])[0] ?? null;

        return $row;
    }

    public function visitor(): ?string
    {
        return Browser::idOf($this->ask->kept(SiteCookie::Visitor));
    }

    private function submissionFacts(): ?SubmissionFacts
    {
        $row = $this->submission();
        if ($row === null) {
            return $this->receivedFacts();
        }
        $answers = json_decode((string) $row['answers'], true);

        return new SubmissionFacts((string) $row['id'], (string) $row['form_id'], SubmissionState::from((string) $row['state']),
            is_array($answers) ? $answers : [], $row['session'] !== null);
    }

    /** A form that was sent and is not taken in yet: its page greets with what was typed, as it will then. */
    private function receivedFacts(): ?SubmissionFacts
    {
        $id = $this->ask->kept(SiteCookie::Joined);
        $row = $id === null ? null : $this->rows('select form_id, shown from received_signups where submission = ? and funnel_id = ?',
            [$id, $this->funnel])[0] ?? null;
        $shown = json_decode((string) ($row['shown'] ?? ''), true);

        return $row === null || ! is_array($shown) || ! is_array($shown['values'] ?? null) ? null : new SubmissionFacts((string) $id,
            (string) $row['form_id'], ($shown['waits'] ?? false) === true ? SubmissionState::Waiting : SubmissionState::Taken,
            $shown['values'], false);
    }

    /** @return array<string, mixed>|null */
    private function submission(): ?array
    {
        if ($this->submission === false) {
            $id = $this->ask->kept(SiteCookie::Joined);
            $this->submission = $id === null ? null : $this->rows('select id, form_id, state, answers, session, person_id from submissions '
                .'where id = ? and funnel_id = ?', [$id, $this->funnel])[0] ?? null;
        }

        return $this->submission;
    }

    private function places(Need $need): PlacesFacts
    {
        $this->nothing(SiteCookie::Registration);
        $this->nothing(SiteCookie::Reader);
        $webinar = $need->webinar();
        $taken = $webinar->schedule->places === null ? [] : $this->rows('select session_key, count(*) as n from registrations where '
            ."webinar_id = ? and state = 'registered' and open is not null and starts_at >= ? group by session_key",
            [$webinar->id, Instant::sql($this->now->modify('-1 day'))]);

        return new PlacesFacts(array_map(intval(...), array_column($taken, 'n', 'session_key')),
            array_values(array_map(strval(...), array_column($this->rows('select session_key from webinar_sessions where webinar_id = ? '
                .'and cancelled_at is not null', [$webinar->id]), 'session_key'))));
    }

    private function personOf(?string $visitor): ?string
    {
        $person = $visitor === null ? null : $this->value('select person_id from visitor_person where visitor = ?', [$visitor])
            ?? $this->noneYet('visitor', $visitor);

        return is_string($person) ? $person : null;
    }

    /**
     * @param  'submission'|'visitor'  $by
     *
     * @throws GoOn where what was sent has not been taken in yet
     */
    private function noneYet(string $by, string $id): null
    {
        return $this->value("select 1 from received_signups where {$by} = ?", [$id]) === null ? null
            : throw new GoOn("The sign-up of {$id} waits.");
    }

    /** @throws GoOn where a browser brings a cookie that says more than is read here */
    private function nothing(SiteCookie $cookie): null
    {
        return $this->ask->has($cookie) ? throw new GoOn($cookie->value) : null;
    }

    /**
     * @param  list<string>  $values
     * @return list<array<string, mixed>>
     */
    private function rows(string $sql, array $values): array
    {
        $query = $this->pdo->prepare($sql);
        $query->execute($values);

        /** @var list<array<string, mixed>> */
        return $query->fetchAll(PDO::FETCH_ASSOC);
    }

    /** @param  list<string>  $values */
    private function value(string $sql, array $values): mixed
    {
        $row = $this->rows($sql, $values)[0] ?? [];

        return array_values($row)[0] ?? null;
    }

    /** @param  list<string>  $values */
    private static function marks(array $values): string
    {
        return '('.implode(', ', array_fill(0, count($values), '?')).')';
    }
}
