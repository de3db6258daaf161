<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** What whoever has joined in a pop-up gets to see: words of thanks in its place, a page of the funnel, or an address. */
final readonly class AfterJoining
{
    public const KINDS = ['thanks', 'page', 'address'];

    /**
     * @param  string  $kind  one of {@see self::KINDS}
     * @param  string  $to  the id of the page, or the address; a page that is not chosen is where the form's own page leads
     */
    public function __construct(public string $kind = 'thanks', public string $to = '')
    {
    }

    /** @throws Invalid for an address that is none */
    public static function fromShape(?Shape $shape): self
    {
        if ($shape === null) {
            return new self;
        }
        $kind = $shape->oneOf('kind', self::KINDS, 'thanks');
        $to = $kind === 'thanks' ? '' : trim($shape->text('to', 2000, ''));
        if ($kind === 'address' && preg_match('~^https?://[^\s<>"\\\\/?#]+[^\s<>"\\\\]*$~iD', $to) !== 1) {
            throw Invalid::at($shape->path('to'), 'A web address begins with https://.');
        }

        return new self($kind, $to);
    }

    /** @return list<string> */
    public function references(): array
    {
        return $this->kind === 'page' && $this->to !== '' ? [$this->to] : [];
    }

    /** @param  array<string, string>  $ids  new ids by old ones */
    public function withIds(array $ids): self
    {
        return new self($this->kind, $this->kind === 'page' ? $ids[$this->to] ?? $this->to : $this->to);
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group(['kind' => Written::choice(self::KINDS), 'to' => Written::text(2000)], ['kind']);
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return ['kind' => $this->kind] + ($this->kind === 'thanks' ? [] : ['to' => $this->to]);
    }
}
