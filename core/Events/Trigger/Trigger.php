<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * An event that something waits for: what starts a sequence or ends it. A kind of trigger is one class; {@see Triggers}
 * lists them.
 */
interface Trigger
{
    /** Its name in written form. */
    public static function kind(): string;

    /** In a picker: "They get a tag". */
    public static function label(): string;

    /**
     * What it needs beside its kind: the name in written form, and what is to be chosen.
     *
     * @return array<string, 'tag'|'times'|'form'|'offer'|'page'|'email'|'sequence'|'webinar'|'outcome'|'deadline'|'guide'|'guide-page'
     *     |'share'|'hours'|'days'|'yearly'|'date-field'>
     */
    public static function fields(): array;

    /** @throws Invalid when what it needs is missing */
    public static function fromShape(Shape $shape): self;

    /** Two triggers with one key are the same; an event that has it ({@see \Lantern\Core\Events\Event::keys()}) sets it off. */
    public function key(): string;

    /**
     * What happened, in a sentence about the person: "Got the tag “Cellist”".
     *
     * @param  callable(string $id): string  $name  what a part of the funnel is called
     */
    public function words(callable $name): string;

    /**
     * After "when they", in a sentence about whoever it may be: "get the tag “Cellist”".
     *
     * @param  callable(string $id): string  $name  what a part of the funnel is called
     */
    public function when(callable $name): string;

    /** @return list<string> ids of the parts of a funnel it speaks of */
    public function references(): array;

    /**
     * The same, speaking of other parts.
     *
     * @param  array<string, string>  $ids  new ids by old ones
     */
    public function withIds(array $ids): self;

    /** @return array<string, string|int|bool> */
    public function toArray(): array;
}
