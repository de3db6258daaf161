<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * Which addresses of a site are meant: those that are exactly, begin with, or contain some text; or all but those. What is
 * compared is the path as browsers write it (`/blog/first-notes`), with the query only where the text has a `?`. The scheme,
 * the host and what follows a `#` play no part, nor does a slash at the end.
 */
final readonly class AddressPattern
{
    public const HOWS = ['exactly', 'begins', 'contains'];

    /** @param  string  $how  one of {@see self::HOWS} */
    public function __construct(public string $how, public string $text, public bool $except = false)
    {
    }

    /** @throws Invalid for an empty text, which would mean everything or nothing */
    public static function fromShape(Shape $shape): self
    {
        $how = $shape->oneOf('how', self::HOWS, 'exactly');
        $text = self::tidied($shape->text('text', 300), $how);
        if ($text === '') {
            throw Invalid::at($shape->path('text'), 'Please type a part of the address, such as /blog/. Without any, all pages are meant.');
        }

        return new self($how, $text, $shape->flag('except'));
    }

    /** Does the text stand in this address, whatever is then made of it? */
    public function fits(string $address): bool
    {
        $compared = self::path($address, str_contains($this->text, '?'));
        $text = $this->how === 'contains' ? $this->text : self::path($this->text, str_contains($this->text, '?'), $this->how !== 'begins');

        return match ($this->how) {
            'begins' => str_starts_with($compared.'/', $text) || str_starts_with($compared, $text),
            'contains' => str_contains($compared, $text),
            default => $compared === $text,
        };
    }

    /**
     * The part of an address that is compared.
     *
     * @param  bool  $trimmed  without a slash at the end
     */
    public static function path(string $address, bool $query = false, bool $trimmed = true): string
    {
        $address = (string) preg_replace('~^[a-z][a-z0-9+.-]*://[^/?#]*~i', '', explode('#', $address)[0]);
        [$path, $after] = [...explode('?', $address, 2), ''];
        $path = str_starts_with($path, '/') ? $path : "/{$path}";
        $path = $trimmed && $path !== '/' ? rtrim($path, '/') : $path;

        return ($path === '' ? '/' : $path).($query && $after !== '' ? "?{$after}" : '');
    }

    /** In a sentence: "begins with /blog/". */
    public function words(): string
    {
        $words = match ($this->how) {
            'begins' => "begins with {$this->text}",
            'contains' => "contains {$this->text}",
            default => "is {$this->text}",
        };

        return $this->except ? "all but what {$words}" : $words;
    }

    /** @return array<string, string|bool> */
    public function toArray(): array
    {
        return ['how' => $this->how, 'text' => $this->text] + ($this->except ? ['except' => true] : []);
    }

    /** A pasted address is as good as a typed path. */
    private static function tidied(string $text, string $how): string
    {
        $text = trim($text);

        return $text === '' || $how === 'contains' ? $text : self::path($text, true, $how === 'exactly');
    }
}
