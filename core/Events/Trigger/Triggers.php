<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Events\Event;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;
use Lantern\Core\Webinars\AttendanceOutcome;

/** Triggers of which any one is enough; each stands once. */
final readonly class Triggers
{
    public const MOST = 40;

    /** @var list<class-string<Trigger>> every kind there is */
    public const KINDS = [FormFilledIn::class, TagAdded::class, Bought::class, BoughtOffer::class, PageSeen::class, EmailClicked::class,
        SequenceEntered::class, WebinarRegistered::class, WebinarOutcome::class, AddressConfirmed::class, OfferRefunded::class,
        PaymentFailed::class, DeadlineOver::class, BecameWarm::class, GuideBegun::class, GuideShareRead::class, GuidePageRead::class,
        GuideFinished::class, SignedUp::class, DeadlineBegan::class, DeadlineNear::class, Replied::class, DateComes::class];

    /** What need not be said. */
    private const OPTIONAL = ['times', 'share', 'hours', 'days', 'yearly'];

    /** @var list<Trigger> */
    public array $list;

    /** @param  iterable<Trigger>  $triggers */
    public function __construct(iterable $triggers = [])
    {
        $list = [];
        foreach ($triggers as $trigger) {
            $list[$trigger->key()] ??= $trigger;
        }
        $this->list = array_values($list);
    }

    /** @throws Invalid for a kind that is not known, or more than forty */
    public static function fromShape(Shape $shape, string $key): self
    {
        $kinds = self::byKind();
        $list = [];
        foreach ($shape->groups($key, self::MOST) as $item) {
            $class = $kinds[$item->text('kind', 20)] ?? throw Invalid::at($item->path('kind'), 'Nothing of this kind can be waited for.');
            $list[] = $class::fromShape($item);
        }

        return new self($list);
    }

    /** @return array<string, class-string<Trigger>> */
    public static function byKind(): array
    {
        return array_combine(array_map(fn (string $class): string => $class::kind(), self::KINDS), self::KINDS);
    }

    /** @return list<array{kind: string, label: string, fields: array<string, string>}> what the Studio draws its pickers from */
    public static function describe(): array
    {
        return array_map(fn (string $class): array => ['kind' => $class::kind(), 'label' => $class::label(),
            'fields' => $class::fields()], self::KINDS);
    }

    /** @return array<string, mixed> what their written form may hold, as a JSON Schema, by what each kind needs */
    public static function schema(): array
    {
        $one = fn (string $needs): array => match ($needs) {
            'tag' => Written::text(60, least: 1),
            'times' => Written::whole(1, PageSeen::MOST_TIMES),
            'hours' => Written::whole(1, DeadlineNear::MOST_HOURS, 'that are left; a day where it is not said'),
            'days' => Written::whole(-DateComes::MOST_DAYS, DateComes::MOST_DAYS, 'after the day; less than nothing before it'),
            'yearly' => Written::flag('comes round every year'),
            'date-field' => Written::shaped('^[a-z][a-z0-9_]{0,39}$', 40, 'an own field of people'),
            'share' => Written::whole(10, 100, 'in percent, in tens; half of it where it is not said'),
            'outcome' => Written::choice(AttendanceOutcome::class),
            default => Written::id(),
        };

        return Written::listOf(['oneOf' => array_map(fn (string $class): array => Written::group(
            ['kind' => ['const' => $class::kind()]] + array_map($one, $class::fields()),
            ['kind', ...array_keys(array_filter($class::fields(), fn (string $needs): bool => ! in_array($needs, self::OPTIONAL,
                true)))]), self::KINDS)],
            self::MOST);
    }

    /** The one that an event sets off, if one does. */
    public function heardBy(Event $event): ?Trigger
    {
        $keys = $event->keys();
        foreach ($this->list as $trigger) {
            if (in_array($trigger->key(), $keys, true)) {
                return $trigger;
            }
        }

        return null;
    }

    public function has(Trigger $trigger): bool
    {
        return in_array($trigger->key(), $this->keys(), true);
    }

    public function isEmpty(): bool
    {
        return $this->list === [];
    }

    /** @return list<string> */
    public function keys(): array
    {
        return array_map(fn (Trigger $t): string => $t->key(), $this->list);
    }

    public function with(Trigger ...$more): self
    {
        return new self([...$this->list, ...$more]);
    }

    /** @return list<string> ids of the parts of a funnel they speak of */
    public function references(): array
    {
        return array_merge([], ...array_map(fn (Trigger $t): array => $t->references(), $this->list));
    }

    /** @param  array<string, string>  $ids  new ids by old ones */
    public function withIds(array $ids): self
    {
        return new self(array_map(fn (Trigger $t): Trigger => $t->withIds($ids), $this->list));
    }

    /** @return list<array<string, string|int|bool>> */
    public function toArray(): array
    {
        return array_map(fn (Trigger $t): array => $t->toArray(), $this->list);
    }
}
