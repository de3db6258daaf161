<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Events\Outcome;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** Where an outcome of a page leads: to another page of the funnel, or to an outside address. */
final readonly class Way
{
    private function __construct(
        public string $page,
        public Outcome $outcome,
        public ?string $toPage,
        public ?string $toUrl,
    ) {
    }

    public static function toPage(string $page, Outcome $outcome, string $target): self
    {
        return new self($page, $outcome, $target, null);
    }

    /** @throws Invalid unless it is a whole http or https address */
    public static function outside(string $page, Outcome $outcome, string $url, string $path = 'toUrl'): self
    {
        if (preg_match('~^https?://[^\s<>"\\\\]+$~iD', $url) !== 1 || strlen($url) > 2000) {
            throw Invalid::at($path, 'A web address begins with https://.');
        }

        return new self($page, $outcome, null, $url);
    }

    public static function fromShape(Shape $shape): self
    {
        $page = $shape->text('page', 40);
        $outcome = $shape->choice('outcome', Outcome::class);
        $url = $shape->optionalText('toUrl', 2000);

        return $url === null
            ? self::toPage($page, $outcome, $shape->text('toPage', 40))
            : self::outside($page, $outcome, $url, $shape->path('toUrl'));
    }

    /** @param  array<string, string>  $ids  new ids by old ones */
    public function withIds(array $ids): self
    {
        return new self($ids[$this->page] ?? $this->page, $this->outcome,
            $this->toPage === null ? null : $ids[$this->toPage] ?? $this->toPage, $this->toUrl);
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return array_filter(['page' => $this->page, 'outcome' => $this->outcome->value, 'toPage' => $this->toPage, 'toUrl' => $this->toUrl],
            fn (?string $v): bool => $v !== null);
    }
}
