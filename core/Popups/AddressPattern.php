<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;
use Normalizer;

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
            // The slash at an end may be there or not: “/blog/” stands in both.
            'contains' => str_contains($compared, self::readable($text))
                || (! str_contains($compared, '?') && str_contains("{$compared}/", self::readable($text))),
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
        $address = self::readable((string) preg_replace('~^[a-z][a-z0-9+.-]*://[^/?#]*~i', '', explode('#', $address)[0]));
        [$path, $after] = [...explode('?', $address, 2), ''];
        $path = str_starts_with($path, '/') ? $path : "/{$path}";
        $path = $trimmed && $path !== '/' ? rtrim($path, '/') : $path;

        return ($path === '' ? '/' : $path).($query && $after !== '' ? "?{$after}" : '');
    }

    /**
     * As its owner types it, however a browser sends it: `/%C3%BCber-mich` is `/über-mich`. What stands for a sign with a meaning of its
     * own (`%2F`, `%3F`, `%25`) stays as it is, with large letters.
     */
    private static function readable(string $address): string
    {
        $read = (string) preg_replace_callback('/(?:%[0-9a-f]{2})+/i', function (array $m): string {
            $decoded = (string) preg_replace_callback('/%([0-9a-f]{2})/i', function (array $hex): string {
                $byte = chr((int) hexdec($hex[1]));

                return $byte >= "\x80" || preg_match('/[A-Za-z0-9._~-]/', $byte) === 1 ? $byte : strtoupper($hex[0]);
            }, $m[0]);

            return mb_check_encoding($decoded, 'UTF-8') ? $decoded : strtoupper($m[0]);
        }, $address);
        // An accent that is written apart from its letter is the same letter.
        $composed = Normalizer::normalize($read, Normalizer::FORM_C);

        return is_string($composed) ? $composed : $read;
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

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'how' => Written::choice(self::HOWS), 'text' => Written::text(300, least: 1), 'except' => Written::flag(),
        ], ['how', 'text']);
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
