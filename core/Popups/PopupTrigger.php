<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** One thing that opens a pop-up, with how much of it. */
final readonly class PopupTrigger
{
    /**
     * @param  int  $amount  seconds, or hundredths of the page's height
     * @param  string  $section  the id of the section, for {@see TriggerKind::Section}
     */
    public function __construct(public TriggerKind $kind, public int $amount = 0, public string $section = '')
    {
    }

    /** @throws Invalid for an amount that the kind does not take, or no section where one is needed */
    public static function fromShape(Shape $shape): self
    {
        $kind = $shape->choice('kind', TriggerKind::class);
        [$least, $most, $start] = $kind->amounts();
        $section = $kind === TriggerKind::Section ? $shape->text('section', 40, '') : '';

        return new self($kind, $most === 0 ? 0 : $shape->integer('amount', $least, $most, $start), $section);
    }

    /** In a sentence: "has scrolled down 60 % of the page". */
    public function words(): string
    {
        $seconds = $this->amount === 1 ? '1 second' : "{$this->amount} seconds";

        return match ($this->kind) {
            TriggerKind::Leaving => 'is about to leave',
            TriggerKind::Seconds => $this->amount === 0 ? 'comes to the page' : "has looked at the page for {$seconds}",
            TriggerKind::Depth => "has scrolled down {$this->amount} % of the page",
            TriggerKind::Section => 'reaches a section',
            TriggerKind::Click => 'clicks what opens it',
            TriggerKind::Idle => "does nothing for {$seconds}",
        };
    }

    /** @param  array<string, string>  $ids  new ids by old ones */
    public function withIds(array $ids): self
    {
        return new self($this->kind, $this->amount, $ids[$this->section] ?? $this->section);
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'kind' => Written::choice(TriggerKind::class),
            'amount' => Written::whole(0, max(array_map(fn (TriggerKind $k): int => $k->amounts()[1], TriggerKind::cases())),
                'seconds, or hundredths of the page'),
            'section' => Written::text(40),
        ], ['kind']);
    }

    /** @return array<string, string|int> */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value] + ($this->kind->amounts()[1] === 0 ? [] : ['amount' => $this->amount])
            + ($this->section === '' ? [] : ['section' => $this->section]);
    }
}
