<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** The pages of one of the owner's other sites on which something is shown. */
final readonly class SiteTargeting
{
    public const MOST_PATTERNS = 40;

    /** @param  list<AddressPattern>  $patterns  none for all pages of the site */
    public function __construct(public string $site, public array $patterns = [])
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('site', 40),
            array_map(AddressPattern::fromShape(...), $shape->groups('patterns', self::MOST_PATTERNS)));
    }

    /**
     * Does it hold for an address? One of the patterns must fit, where there are any that are not exceptions, and no exception may.
     *
     * @return string|null the words of the pattern by which it holds ('all pages' where none says more), or null
     */
    public function fits(string $address): ?string
    {
        $found = null;
        $needed = false;
        foreach ($this->patterns as $pattern) {
            if ($pattern->except) {
                if ($pattern->fits($address)) {
                    return null;
                }
            } else {
                $needed = true;
                $found ??= $pattern->fits($address) ? $pattern->words() : null;
            }
        }

        return $needed ? $found : 'all pages';
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'site' => Written::id(), 'patterns' => Written::listOf(AddressPattern::schema(), self::MOST_PATTERNS, 'none for all pages'),
        ], ['site']);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['site' => $this->site, 'patterns' => array_map(fn (AddressPattern $p): array => $p->toArray(), $this->patterns)];
    }
}
