<?php

declare(strict_types=1);

namespace Lantern\Core\Promises;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** One thing that happened in a way when it was kept, and must happen again. */
final readonly class Expected
{
    /** So many are kept of one way. */
    public const MOST = 1_000;

    private const MOMENT = '^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}Z$';

    /**
     * @param  string  $at  in UTC, such as 2027-03-31T18:00:00Z
     * @param  int  $choice  after the how-manieth choice, from 1
     * @param  string  $of  the id of what it is about, or a tag
     * @param  string  $value  of a deadline its end, of a purchase what was paid, of a refusal why
     */
    public function __construct(public Aspect $aspect, public string $kind, public string $at, public int $choice, public string $of,
        public string $value = '')
    {
    }

    /** @throws Invalid for a moment that is none */
    public static function fromShape(Shape $shape): self
    {
        $at = $shape->text('at', 20);
        if (preg_match('/'.self::MOMENT.'/D', $at) !== 1) {
            throw Invalid::at($shape->path('at'), 'A moment is written like 2027-03-31T18:00:00Z.');
        }

        return new self($shape->choice('aspect', Aspect::class), $shape->text('kind', 30), $at, $shape->integer('choice', 0, Choice::MOST),
            $shape->text('of', 80, ''), $shape->text('value', 80, ''));
    }

    /** @param  array<string, string>  $ids  new ids by old ones */
    public function withIds(array $ids): self
    {
        return new self($this->aspect, $this->kind, $this->at, $this->choice, $ids[$this->of] ?? $this->of, $this->value);
    }

    /** @return array<string, string|int> */
    public function toArray(): array
    {
        return ['aspect' => $this->aspect->value, 'kind' => $this->kind, 'at' => $this->at, 'choice' => $this->choice]
            + array_filter(['of' => $this->of, 'value' => $this->value], fn (string $v): bool => $v !== '');
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group(['aspect' => Written::choice(Aspect::class), 'kind' => Written::text(30),
            'at' => Written::shaped(self::MOMENT),
            'choice' => Written::whole(0, Choice::MOST), 'of' => Written::text(80), 'value' => Written::text(80)],
            ['aspect', 'kind', 'at', 'choice']);
    }
}
