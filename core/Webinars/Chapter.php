<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** A place in a recording that has a name, to go to. */
final readonly class Chapter
{
    public const MOST = 40;

    /** @param  int  $second  of the recording */
    public function __construct(public int $second, public string $title)
    {
    }

    /**
     * @return list<self> in order; of two at one second, the later one
     *
     * @throws Invalid
     */
    public static function list(Shape $shape): array
    {
        $chapters = [];
        foreach ($shape->groups('chapters', self::MOST) as $group) {
            $title = trim($group->text('title', 120, ''));
            if ($title !== '') {
                $second = $group->integer('second', 0, 720 * 60);
                $chapters[$second] = new self($second, $title);
            }
        }
        ksort($chapters);

        return array_values($chapters);
    }

    /** Where it begins, such as `0:05` or `1:02:30`. */
    public function clock(): string
    {
        return ($this->second < 3600 ? (string) intdiv($this->second, 60)
            : intdiv($this->second, 3600).':'.sprintf('%02d', intdiv($this->second % 3600, 60))).sprintf(':%02d', $this->second % 60);
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group(['second' => Written::whole(0, 720 * 60), 'title' => Written::text(120)], ['second', 'title']);
    }

    /** @return array{second: int, title: string} */
    public function toArray(): array
    {
        return ['second' => $this->second, 'title' => $this->title];
    }
}
