<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

/** How far the readers of a guide came, page by page, and where most of them stopped. */
final readonly class ReadingCurve
{
    /** With fewer readers nothing is said of where people stop. */
    public const LEAST = 10;

    /** @param  array<string, int>  $reached  by page, in order: how many came as far as it, or farther */
    private function __construct(public int $readers, public array $reached)
    {
    }

    /**
     * @param  list<string>  $pages  ids, in order
     * @param  iterable<list<string>>  $readers  of each, the pages they looked at
     */
    public static function of(array $pages, iterable $readers): self
    {
        $reached = array_fill(0, count($pages), 0);
        $places = array_flip($pages);
        $count = 0;
        foreach ($readers as $looked) {
            $at = array_filter(array_map(fn (string $p): ?int => $places[$p] ?? null, $looked), is_int(...));
            $count++;
            for ($i = 0; $at !== [] && $i <= max($at); $i++) {
                $reached[$i]++;
            }
        }

        return new self($count, array_combine($pages, $reached));
    }

    /**
     * The page after which the largest share of those who came to it went no farther; null where nobody stopped, or with too few to say.
     *
     * @return array{page: string, number: int, came: int, stopped: int}|null `number` counts from one
     */
    public function stop(): ?array
    {
        $worst = null;
        $pages = array_keys($this->reached);
        foreach (array_slice($pages, 0, -1) as $i => $page) {
            [$came, $went] = [$this->reached[$page], $this->reached[$pages[$i + 1]]];
            // Of a handful a large share is quickly gone.
            if ($came >= self::LEAST && $came > $went
                && ($worst === null || ($came - $went) * $worst['came'] > $worst['stopped'] * $came)) {
                $worst = ['page' => (string) $page, 'number' => $i + 1, 'came' => $came, 'stopped' => $came - $went];
            }
        }

        return $worst;
    }
}
