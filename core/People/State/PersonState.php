<?php

declare(strict_types=1);

namespace Lantern\Core\People\State;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\People\Subscription;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Webinars\RegisteredSession;
use LogicException;

/**
 * What is known of somebody: the one value that every decision about them reads. The shell loads it in pieces; asking for a piece that
 * was not loaded is a mistake, and never an empty answer. What a decision does to somebody changes it in memory, so that the next
 * decision can follow without anything being stored ({@see \Lantern\Core\Journey\Effects\Effect::appliedTo()}).
 */
final readonly class PersonState
{
    use Rebuilt;

    /**
     * Fields that stand on the person itself; no field of the owner's own takes their place. They are text, and neither numbers nor days.
     */
    public const OF_PERSON = ['first_name', 'last_name', 'email', 'phone', 'timezone'];

    /**
     * @param  DateTimeZone  $zone  their own, or the owner's where it is not known
     * @param  DateTimeZone  $ownerZone  in which days begin and end for rules
     * @param  bool  $owner  is it the owner in their own browser? No deadline begins for them.
     * @param  list<string>|null  $tags  as written
     * @param  array<string, Run>|null  $deadlines  by id, those that run for them or ran
     * @param  array<string, RegisteredSession>|null  $registrations  their sessions, by the id of the webinar
     * @param  array<string, Enrolment>|null  $enrolments  by id of the sequences that they are in or were in
     * @param  list<PlannedEmail>|null  $emails  of all sequences, those that were sent and those that wait, in the order of planning
     * @param  array<string, list<string>>|null  $fields  by name, the owner's own among them; several values for several choices
     * @param  list<DoneDeed>|null  $deeds
     * @param  array<string, list<string>>|null  $webinars  by id, what became of them there: {@see \Lantern\Core\Rules\WebinarRule::STATES}
     * @param  list<string>|null  $products  ids of those they have bought, whatever the offer
     * @param  int|null  $warmth  from 0 to 100; nothing for whoever gets no emails
     * @param  array<string, GuideState>|null  $guides  by id, those they have opened
     * @param  string  $id  by which split tests know them; '' for somebody of whom nothing is known
     */
    public function __construct(
        public DateTimeZone $zone,
        public DateTimeZone $ownerZone,
        public bool $owner = false,
        public Subscription $subscription = Subscription::Subscribed,
        public ?DateTimeImmutable $joined = null,
        public ?DateTimeImmutable $active = null,
        private ?array $tags = null,
        private ?array $deadlines = null,
        private ?array $registrations = null,
        private ?array $enrolments = null,
        private ?array $emails = null,
        private ?array $fields = null,
        private ?array $deeds = null,
        private ?array $webinars = null,
        private ?array $products = null,
        public string $id = '',
        private ?int $warmth = null,
        private ?array $guides = null,
    ) {
    }

    /** Somebody of whom nothing is known yet. All of it is loaded, and empty. */
    public static function unknown(DateTimeZone $zone, ?DateTimeZone $ownerZone = null): self
    {
        return new self($zone, $ownerZone ?? $zone, false, Subscription::Subscribed, null, null, [], [], [], [], [], [], [], [], [],
            warmth: 0, guides: []);
    }

    /**
     * The same with two pieces more.
     *
     * @param  array<string, RegisteredSession>  $registrations
     * @param  list<string>  $products
     */
    public function with(array $registrations, array $products): self
    {
        return $this->changed(registrations: $registrations, products: $products);
    }

    public function asOwner(): self
    {
        return $this->changed(owner: true);
    }

    /** @return list<string> */
    public function tags(): array
    {
        return $this->tags ?? throw self::missing('tags');
    }

    public function hasTag(string $tag): bool
    {
        return in_array(mb_strtolower($tag), array_map(mb_strtolower(...), $this->tags()), true);
    }

    /** @param  list<string>  $tags  those they have already change nothing */
    public function withTags(array $tags): self
    {
        $new = array_filter($tags, fn (string $tag): bool => ! $this->hasTag($tag));

        return $this->changed(tags: [...$this->tags(), ...array_values($new)]);
    }

    public function withoutTag(string $tag): self
    {
        return $this->changed(tags: array_values(array_filter($this->tags(),
            fn (string $had): bool => mb_strtolower($had) !== mb_strtolower($tag))));
    }

    public function warmth(): int
    {
        return $this->warmth ?? throw self::missing('warmth');
    }

    /** @return array<string, Run> */
    public function deadlines(): array
    {
        return $this->deadlines ?? throw self::missing('deadlines');
    }

    public function withDeadline(string $id, Run $run): self
    {
        return $this->changed(deadlines: [$id => $run] + $this->deadlines());
    }

    /** @return array<string, RegisteredSession> */
    public function registrations(): array
    {
        return $this->registrations ?? throw self::missing('registrations');
    }

    public function withRegistration(RegisteredSession $registered): self
    {
        return $this->changed(registrations: [$registered->webinar => $registered] + $this->registrations());
    }

    public function isIn(string $sequence): bool
    {
        $enrolment = $this->enrolments()[$sequence] ?? null;

        return $enrolment !== null && ! $enrolment->ended;
    }

    /** Were they in it, and are on the way in it no more: it was ended, or the last of its emails has gone? */
    public function isThrough(string $sequence): bool
    {
        $enrolment = $this->enrolments()[$sequence] ?? null;

        return $enrolment !== null && ($enrolment->ended || array_filter($this->emails(),
            fn (PlannedEmail $e): bool => $e->sequence === $sequence && $e->isOnTheWay()) === []);
    }

    /** @return array<string, Enrolment> */
    public function enrolments(): array
    {
        return $this->enrolments ?? throw self::missing('enrolments');
    }

    public function inSequence(string $sequence, DateTimeImmutable $at, string $variant = ''): self
    {
        $run = ($this->enrolments()[$sequence]->run ?? 0) + 1;

        return $this->changed(enrolments: [$sequence => new Enrolment($at, $run, false, $variant)] + $this->enrolments());
    }

    /** They have left a sequence: what of it waits is not sent any more. */
    public function outOfSequence(string $sequence): self
    {
        $in = $this->enrolments()[$sequence] ?? null;
        $enrolments = $in === null ? [] : [$sequence => new Enrolment($in->startedAt, $in->run, true, $in->variant)];

        return $this->changed(enrolments: $enrolments + $this->enrolments())
            ->withoutWaiting(fn (PlannedEmail $e): bool => $e->sequence === $sequence);
    }

    /** They have left every sequence, and nothing that waits is sent any more. */
    public function outOfSequences(): self
    {
        return $this->changed(enrolments: array_map(fn (Enrolment $e): Enrolment => new Enrolment($e->startedAt, $e->run, true,
            $e->variant),
            $this->enrolments()))->withoutWaiting(fn (): bool => true);
    }

    /**
     * The same with what changes by the clock alone, as it stands now.
     *
     * @param  array<string, Run>  $deadlines  by id
     * @param  array<string, list<string>>  $webinars  by id
     */
    public function asOfNow(array $deadlines, array $webinars): self
    {
        return $deadlines == $this->deadlines && $webinars === $this->webinars ? $this
            : $this->changed(deadlines: $deadlines, webinars: $webinars);
    }

    /** @return list<PlannedEmail> */
    public function emails(): array
    {
        return $this->emails ?? throw self::missing('emails');
    }

    /** Was it sent, does it wait, or was it held back? */
    public function hasEmail(string $email): bool
    {
        return array_filter($this->emails(), fn (PlannedEmail $e): bool => $e->email === $email) !== [];
    }

    public function withEmail(PlannedEmail $email): self
    {
        return $this->changed(emails: [...$this->emails(), $email]);
    }

    /** @param  callable(PlannedEmail): bool  $which */
    public function withoutWaiting(callable $which): self
    {
        return $this->changed(emails: array_map(fn (PlannedEmail $e): PlannedEmail => $e->state === MessageState::Waiting && $which($e)
            ? $e->in(MessageState::Cancelled) : $e, $this->emails()));
    }

    /** An email has come to another state: it went out, or it did not. */
    public function withEmailIn(PlannedEmail $email, MessageState $state): self
    {
        return $this->changed(emails: array_map(fn (PlannedEmail $e): PlannedEmail => $e === $email ? $e->in($state) : $e,
            $this->emails()));
    }

    /** An email that waits is due at another moment. */
    public function withEmailDue(PlannedEmail $email, DateTimeImmutable $due): self
    {
        return $this->changed(emails: array_map(fn (PlannedEmail $e): PlannedEmail => $e === $email ? $e->at($due) : $e, $this->emails()));
    }

    /** @return list<string> the values of a field, with those that were left empty */
    public function values(string $field): array
    {
        return ($this->fields ?? throw self::missing('fields'))[$field] ?? [];
    }

    /** @param  array<string, list<string>>  $fields  by name; those that are not named stay as they are */
    public function withFields(array $fields): self
    {
        return $this->changed(fields: $fields + ($this->fields ?? []));
    }

    public function standing(Subscription $subscription): self
    {
        return $this->changed(subscription: $subscription);
    }

    /** @param  DateTimeImmutable|null  $joined  null where they have joined before, or have not yet */
    public function activeAt(DateTimeImmutable $at, ?DateTimeImmutable $joined = null): self
    {
        return $this->changed(joined: $this->joined ?? $joined, active: $at);
    }

    public function asWarmAs(int $warmth): self
    {
        return $this->changed(warmth: $warmth);
    }

    public function withGuide(string $guide, GuideState $state): self
    {
        return $this->changed(guides: [$guide => $state] + $this->guides());
    }

    /** @param  string  $id  by which split tests know them */
    public function identified(string $id): self
    {
        return $this->changed(id: $id);
    }

    /** @return list<DoneDeed> */
    public function deeds(): array
    {
        return $this->deeds ?? throw self::missing('deeds');
    }

    public function having(DoneDeed ...$deeds): self
    {
        return $this->changed(deeds: [...$this->deeds(), ...array_values($deeds)]);
    }

    /** @return list<string> what became of them in a webinar */
    public function inWebinar(string $webinar): array
    {
        return ($this->webinars ?? throw self::missing('webinars'))[$webinar] ?? [];
    }

    /**
     * What became of them in a webinar is this, and nothing else.
     *
     * @param  list<string>  $states
     */
    public function withWebinar(string $webinar, array $states): self
    {
        return $this->changed(webinars: [$webinar => $states] + ($this->webinars ?? throw self::missing('webinars')));
    }

    /** @return array<string, GuideState> by id */
    public function guides(): array
    {
        return $this->guides ?? throw self::missing('guides');
    }

    /** @return list<string> */
    public function products(): array
    {
        return $this->products ?? throw self::missing('products');
    }

    /** A piece that was not loaded stays so. */
    public function withProduct(string $product): self
    {
        return $this->products === null ? $this : $this->changed(products: array_values(array_unique([...$this->products(), $product])));
    }

    private static function missing(string $piece): LogicException
    {
        return new LogicException("The {$piece} of this person were not loaded.");
    }
}
