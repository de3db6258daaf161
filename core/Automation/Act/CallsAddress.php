<?php

declare(strict_types=1);

namespace Lantern\Core\Automation\Act;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** A web address of the owner's is told of it. */
final readonly class CallsAddress implements Act
{
    use OfNoPart;

    private const KIND = 'call';

    public function __construct(public string $url)
    {
    }

    public static function label(): string
    {
        return 'Call a web address';
    }

    public static function fields(): array
    {
        return ['url' => 'address'];
    }

    public static function fromShape(Shape $shape): self
    {
        $url = trim($shape->text('url', 500, ''));
        if (preg_match('#^https?://[^\s/]+#iD', $url) !== 1 || filter_var($url, FILTER_VALIDATE_URL) === false) {
            throw Invalid::at($shape->path('url'), 'Please give a whole web address, such as https://example.com/hook.');
        }

        return new self($url);
    }

    public function words(callable $name): string
    {
        return "{$this->url} is called";
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'url' => $this->url];
    }
}
