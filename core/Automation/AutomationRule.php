<?php

declare(strict_types=1);

namespace Lantern\Core\Automation;

use Lantern\Core\Automation\Act\Act;
use Lantern\Core\Automation\Act\Acts;
use Lantern\Core\Deadlines\Duration;
use Lantern\Core\Events\Trigger\Trigger;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Rules\Group;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/**
 * When one of these things happens to somebody, then after so long, if these rules about the person hold at that moment, do that. It is a
 * part of a funnel, or stands for the whole business.
 */
final readonly class AutomationRule implements Part
{
    use PlainPart;
    use Rebuilt;

    /**
     * @param  Duration|null  $after  how long after it happened it acts; null for at once
     * @param  Group  $only  for whom, looked at when it acts
     * @param  list<Act>  $acts  in order
     * @param  bool  $eachTime  each time it happens, or once for each person
     */
    public function __construct(
        public string $id,
        public string $name,
        public Triggers $when,
        public ?Duration $after = null,
        public Group $only = new Group(true, []),
        public array $acts = [],
        public bool $eachTime = false,
    ) {
    }

    public static function kind(): string
    {
        return 'automation';
    }

    public static function label(): string
    {
        return 'rule';
    }

    public static function most(): int
    {
        return 200;
    }

    /** @throws Invalid by the place of what is wrong */
    public static function fromShape(Shape $shape): self
    {
        $name = trim($shape->text('name', 120));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'Please give the rule a name. Only you will see it.');
        }
        $only = $shape->optionalGroup('only');
        $after = $shape->optionalGroup('after');

        return new self($shape->text('id', 40), $name, Triggers::fromShape($shape, 'when'),
            $after === null || $after->all() === [] ? null : Duration::fromShape($after),
            $only === null ? Group::everybody() : Group::fromShape($only), Acts::fromShape($shape, 'acts'), $shape->flag('eachTime'));
    }

    /** Can it do anything at all yet? */
    public function isWhole(): bool
    {
        return ! $this->when->isEmpty() && $this->acts !== [];
    }

    /**
     * The rule as it is read: "When they see “First Season” 3 times, they get the tag “Watching”. Only who has not bought anything. Once
     * for each person."
     *
     * @param  callable(string $id): string  $name  what a part of a funnel, or a field, is called
     */
    public function words(callable $name): string
    {
        $when = self::listed(array_map(fn (Trigger $t): string => $t->when($name), $this->when->list), 'or');
        $acts = self::listed(array_map(fn (Act $a): string => $a->words($name), $this->acts), 'and');
        $after = $this->after;
        $then = $after === null ? 'When they ' : ($after->days > 0 ? ($after->days === 1 ? 'A day' : "{$after->days} days")
            : ucfirst($after->words())).' after they ';
        $at = ($after->time ?? '') === '' ? '' : ", at {$after?->time} their time";

        return $then.($when === '' ? '…' : $when).$at.', '.($acts === '' ? '…' : "{$acts}.")
            .($this->only->isEverybody() ? '' : ' Only for whoever '.($this->after === null ? '' : 'then ').$this->only->words($name).'.')
            .($this->eachTime ? ' Each time.' : ' Once for each person.');
    }

    /** @param  list<string>  $parts */
    private static function listed(array $parts, string $word): string
    {
        return count($parts) < 2 ? implode('', $parts)
            : implode(', ', array_slice($parts, 0, -1))." {$word} ".$parts[count($parts) - 1];
    }

    /** @return list<string> ids of the parts of a funnel that it acts upon */
    public function targets(): array
    {
        return array_values(array_filter(array_map(fn (Act $a): string => $a->part(), $this->acts), fn (string $id): bool => $id !== ''));
    }

    public function references(): array
    {
        return array_values(array_unique([...$this->when->references(), ...$this->only->references(), ...$this->targets()]));
    }

    public function withIds(array $ids): self
    {
        return $this->changed(id: $ids[$this->id] ?? $this->id, when: $this->when->withIds($ids), only: $this->only->withIds($ids),
            acts: array_map(fn (Act $a): Act => $a->withIds($ids), $this->acts));
    }

    public static function schema(): array
    {
        return Written::group([
            'name' => Written::text(120, least: 1), 'when' => Written::ref('triggers', 'any one of these sets it off'),
            'after' => Duration::schema(), 'only' => Written::ref('group', 'for whom, looked at when it acts'), 'acts' => Acts::schema(),
            'eachTime' => Written::flag('each time it happens; once for each person where it is not said'),
        ], ['name', 'when'], 'when this happens, do that');
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'when' => $this->when->toArray()]
            + ($this->after === null ? [] : ['after' => $this->after->toArray()])
            + ($this->only->isEverybody() ? [] : ['only' => $this->only->toArray()])
            + ($this->acts === [] ? [] : ['acts' => array_map(fn (Act $a): array => $a->toArray(), $this->acts)])
            + ($this->eachTime ? ['eachTime' => true] : []);
    }
}
