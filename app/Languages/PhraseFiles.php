<?php

declare(strict_types=1);

namespace App\Languages;

/** Read from the files in `lang/`, for pages that are answered before the framework starts. */
final class PhraseFiles implements Phrases
{
    /** @var array<string, array<array-key, mixed>> by file */
    private array $read = [];

    /** @param  string  $folder  in which the catalogues are */
    public function __construct(private readonly string $folder)
    {
    }

    public function line(string $key, string $catalogue): ?string
    {
        if (preg_match('/^([a-z]+)((?:\.[a-z0-9_]+)+)$/D', $key, $m) !== 1 || preg_match('/^[A-Za-z0-9-]+$/D', $catalogue) !== 1) {
            return null;
        }
        $found = $this->file("{$this->folder}/{$catalogue}/{$m[1]}.php");
        foreach (explode('.', substr($m[2], 1)) as $part) {
            $found = is_array($found) ? $found[$part] ?? null : null;
        }

        return is_string($found) ? $found : null;
    }

    /** @return array<array-key, mixed> */
    private function file(string $path): array
    {
        return $this->read[$path] ??= is_file($path) && is_array($lines = require $path) ? $lines : [];
    }
}
