<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/**
 * A split test of a page, an email, a pop-up or the timing of a sequence: which of its variants brings more of what it wants. Its
 * variants are parts of their own.
 */
final readonly class SplitTest implements Part
{
    use PlainPart;
    use Rebuilt;

    /** What was there before is the first; others have the letters after it. */
    public const ORIGINAL = 'a';

    public const LETTERS = ['a', 'b', 'c', 'd', 'e'];

    public const LEAST_DAYS = 14;

    public const MOST_DAYS = 120;

    public const MOST_WEIGHT = 100;

    /**
     * @param  string  $part  the id of the part it tests
     * @param  bool  $on  has it been started? Only then visitors see its variants.
     * @param  int  $weight  of what was there before, beside those of its variants
     * @param  int  $mostDays  after which nobody waits for it any longer
     * @param  bool  $byItself  is the winner shown to everybody as soon as there is one, without asking?
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $part,
        public Tested $of = Tested::Page,
        public TestGoal $goal = TestGoal::Signup,
        public bool $on = false,
        public int $weight = 1,
        public int $mostDays = 56,
        public bool $byItself = false,
    ) {
    }

    public static function kind(): string
    {
        return 'split-test';
    }

    public static function label(): string
    {
        return 'split test';
    }

    public static function most(): int
    {
        return 20;
    }

    public static function fromShape(Shape $shape): self
    {
        $name = trim($shape->text('name', 120));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'Please give the split test a name. Only you will see it.');
        }

        $of = $shape->choice('of', Tested::class, Tested::Page->value);
        $goal = $shape->choice('goal', TestGoal::class, $of->goals()[0]->value);
        if (! in_array($goal, $of->goals(), true)) {
            throw Invalid::at($shape->path('goal'), "A split test of {$of->label()} cannot want that.");
        }
        // Before there were tests of anything else, the part was called what it was: a page.
        $part = $shape->text('part', 40, $shape->text('page', 40, ''));
        if ($part === '') {
            throw Invalid::at($shape->path('part'), 'It is not said what this split test is of.');
        }

        return new self($shape->text('id', 40), $name, $part, $of, $goal, $shape->flag('on'),
            $shape->integer('weight', 0, self::MOST_WEIGHT, 1),
            $shape->integer('mostDays', self::LEAST_DAYS, self::MOST_DAYS, 56), $shape->flag('byItself'));
    }

    public function started(bool $on): self
    {
        return $this->changed(on: $on);
    }

    public function references(): array
    {
        return [$this->part];
    }

    public function withIds(array $ids): self
    {
        // What is copied begins anew.
        return $this->changed(id: $ids[$this->id] ?? $this->id, part: $ids[$this->part] ?? $this->part, on: false);
    }

    public static function schema(): array
    {
        return Written::group(['name' => Written::text(120), 'part' => Written::id('the part it tests'),
            'of' => Written::choice(Tested::class), 'goal' => Written::choice(TestGoal::class),
            'on' => Written::flag('whether it has been started'),
            'weight' => Written::whole(0, self::MOST_WEIGHT, 'of what was there before'),
            'mostDays' => Written::whole(self::LEAST_DAYS, self::MOST_DAYS), 'byItself' => Written::flag()], ['name', 'part']);
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'part' => $this->part]
            + ($this->of === Tested::Page ? [] : ['of' => $this->of->value])
            + ['goal' => $this->goal->value, 'weight' => $this->weight, 'mostDays' => $this->mostDays]
            + array_filter(['on' => $this->on, 'byItself' => $this->byItself]);
    }
}
