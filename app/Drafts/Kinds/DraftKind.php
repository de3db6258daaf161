<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Drafts\DraftPlan;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use Lantern\Core\Parts\Part;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * What the Studio may do with one kind of part: how a new one begins, what of what is typed is taken, and what the
 * Studio is told beside its written form. A kind is one class, listed in {@see DraftKinds}.
 */
abstract class DraftKind
{
    /** @return class-string<Part> */
    abstract public function part(): string;

    /** The name under which the Studio holds the parts of this kind. */
    abstract public function list(): string;

    /** Does it open on a desk of its own, so that the search leads to it? What does not is worked on where it is used. */
    public function opens(): bool
    {
        return true;
    }

    /** @return list<string> what of it the owner types; all else is worked out */
    abstract public function typed(): array;

    /** @return array<string, mixed> as the Studio reads it, beside id, name and revision */
    abstract public function json(DraftPart $row, Part $part): array;

    /**
     * A new one.
     *
     * @param  array<array-key, mixed>  $typed
     *
     * @throws Invalid
     */
    abstract public function fresh(Funnel $funnel, array $typed): Part;

    /**
     * The same with its words sanitised and with nothing in it that is not the owner's: for what is typed, and for what
     * comes in with an archive.
     *
     * @throws Invalid
     */
    public function cleaned(Part $part, Business $business): Part
    {
        return $part;
    }

    /**
     * What it becomes by what was typed; what was not typed stays.
     *
     * @param  array<array-key, mixed>  $typed
     *
     * @throws Invalid
     */
    public function changed(DraftPart $row, array $typed): Part
    {
        $part = $this->part()::fromShape(Shape::of(['id' => $row->id]
            + array_intersect_key($this->renamed($typed), array_flip($this->typed())) + $row->part()->toArray()));
        $this->check($row, $part);

        return $this->cleaned($part, $row->funnel->business);
    }

    /**
     * What was typed, by the names of the written form.
     *
     * @param  array<array-key, mixed>  $typed
     * @return array<array-key, mixed>
     */
    protected function renamed(array $typed): array
    {
        return $typed;
    }

    /**
     * What it spoke of already may be gone by now, which the go-live check says; nothing that is not in its funnel is added.
     *
     * @param  list<string>  $elsewhere  ids of what need not be in the funnel
     *
     * @throws Invalid with these words
     */
    protected static function speaksOfItsFunnel(DraftPart $row, Part $part, string $field, string $words, array $elsewhere = []): void
    {
        if (array_diff($part->references(), $row->funnel->parts()->pluck('id')->all(), $row->part()->references(), $elsewhere) !== []) {
            throw Invalid::at($field, $words);
        }
    }

    /** What the next one is called until it gets a name of its own: "Deadline", "Deadline 2" … */
    protected function nextName(Funnel $funnel, string $word): string
    {
        $count = DraftPart::there($funnel->id, $this->part()::kind())->count();

        return $count === 0 ? $word : "{$word} ".($count + 1);
    }

    /** @throws Invalid when it does not fit the rest of its funnel */
    protected function check(DraftPart $row, Part $part): void
    {
    }

    /**
     * Before a part is removed.
     *
     * @return list<string> what becomes of the rest of the funnel, in sentences
     *
     * @throws Invalid when others need it
     */
    public function remove(DraftPart $row): array
    {
        $plan = DraftPlan::read($row->funnel);
        $users = array_values(array_filter($plan->parts,
            fn (Part $p): bool => $p->id() !== $row->id && in_array($row->id, $p->needs(), true)));
        if ($users !== []) {
            $names = implode(', ', array_map(fn (Part $p): string => "“{$p->name()}”", $users));
            throw Invalid::at($row->kind, "“{$row->name}” is used by {$names}. Remove it there first.");
        }

        return [];
    }

    /** Called after a part is there again. */
    public function restored(DraftPart $row): void
    {
    }
}
