<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** A split test of a page: which of its variants brings more of what it wants. Its variants are parts of their own. */
final readonly class SplitTest implements Part
{
    use PlainPart;
    use Rebuilt;

    /** The page as it was before is the first; others have the letters after it. */
    public const ORIGINAL = 'a';

    public const LETTERS = ['a', 'b', 'c', 'd', 'e'];

    public const LEAST_DAYS = 14;

    public const MOST_DAYS = 120;

    public const MOST_WEIGHT = 100;

    /**
     * @param  string  $page  the id of the page it tests
     * @param  bool  $on  has it been started? Only then visitors see its variants.
     * @param  int  $weight  of the page as it was, beside those of its variants
     * @param  int  $mostDays  after which nobody waits for it any longer
     * @param  bool  $byItself  is the winner shown to everybody as soon as there is one, without asking?
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $page,
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

        return new self($shape->text('id', 40), $name, $shape->text('page', 40), $shape->choice('goal', TestGoal::class,
            TestGoal::Signup->value), $shape->flag('on'), $shape->integer('weight', 0, self::MOST_WEIGHT, 1),
            $shape->integer('mostDays', self::LEAST_DAYS, self::MOST_DAYS, 56), $shape->flag('byItself'));
    }

    public function started(bool $on): self
    {
        return $this->changed(on: $on);
    }

    public function references(): array
    {
        return [$this->page];
    }

    public function withIds(array $ids): self
    {
        // What is copied begins anew.
        return $this->changed(id: $ids[$this->id] ?? $this->id, page: $ids[$this->page] ?? $this->page, on: false);
    }

    public static function schema(): array
    {
        return Written::group(['name' => Written::text(120), 'page' => Written::id('the page it tests'),
            'goal' => Written::choice(TestGoal::class), 'on' => Written::flag('whether it has been started'),
            'weight' => Written::whole(0, self::MOST_WEIGHT, 'of the page as it was'),
            'mostDays' => Written::whole(self::LEAST_DAYS, self::MOST_DAYS), 'byItself' => Written::flag()], ['name', 'page']);
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'page' => $this->page, 'goal' => $this->goal->value, 'weight' => $this->weight,
            'mostDays' => $this->mostDays] + array_filter(['on' => $this->on, 'byItself' => $this->byItself]);
    }
}
