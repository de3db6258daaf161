<?php

declare(strict_types=1);

namespace App\Front;

/** What is said where there is nothing, as the framework said it last. */
final readonly class FrontNotice
{
    public const NOT_HERE = 'not-here';

    /** @param  array<string, string>  $headers */
    public function __construct(public array $headers, public string $body)
    {
    }

    /**
     * The same for the same words: as soon as its business says it otherwise, it is asked for anew.
     *
     * @param  string  $phrases  of the business, as the database has them
     */
    public static function wordsOf(string $language, string $phrases): string
    {
        return hash('xxh128', "{$language}\n{$phrases}");
    }

    public function written(): string
    {
        return serialize(['headers' => $this->headers, 'body' => $this->body]);
    }

    /** @return self|null null for what is none */
    public static function read(string $written): ?self
    {
        $read = @unserialize($written, ['allowed_classes' => false]);
        if (! is_array($read) || ! is_array($read['headers'] ?? null) || ! is_string($read['body'] ?? null)) {
            return null;
        }
        /** @var array<string, string> $headers */
        $headers = $read['headers'];

        return new self($headers, $read['body']);
    }
}
