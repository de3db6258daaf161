<?php

declare(strict_types=1);

namespace Lantern\Core\Support;

/**
 * Reads untrusted arrays (decoded JSON) field by field; every miss is an {@see Invalid} that names its path.
 */
final readonly class Shape
{
    /** @param  array<array-key, mixed>  $data */
    private function __construct(private array $data, private string $path)
    {
    }

    /** @throws Invalid when the value is not an array */
    public static function of(mixed $data, string $path = ''): self
    {
        if (! is_array($data)) {
            throw Invalid::at($path, 'A group of values was expected here.');
        }

        return new self($data, $path);
    }

    /** @return array<array-key, mixed> */
    public function all(): array
    {
        return $this->data;
    }

    public function path(string $key): string
    {
        return $this->path === '' ? $key : $this->path.'.'.$key;
    }

    public function has(string $key): bool
    {
        return isset($this->data[$key]);
    }

    /** @param  int  $max the longest text allowed, in characters */
    public function text(string $key, int $max = 300, ?string $default = null): string
    {
        $value = $this->data[$key] ?? $default;
        if (! is_string($value) || ! mb_check_encoding($value, 'UTF-8')) {
            throw Invalid::at($this->path($key), 'A text was expected here.');
        }
        if (mb_strlen($value) > $max) {
            throw Invalid::at($this->path($key), "This is too long: {$max} characters at most.");
        }

        return $value;
    }

    public function optionalText(string $key, int $max = 300): ?string
    {
        return $this->has($key) ? $this->text($key, $max) : null;
    }

    public function integer(string $key, int $min, int $max, ?int $default = null): int
    {
        $value = $this->data[$key] ?? $default;
        if (! is_int($value) || $value < $min || $value > $max) {
            throw Invalid::at($this->path($key), "A whole number from {$min} to {$max} was expected here.");
        }

        return $value;
    }

    public function flag(string $key, bool $default = false): bool
    {
        $value = $this->data[$key] ?? $default;
        if (! is_bool($value)) {
            throw Invalid::at($this->path($key), 'Yes or no was expected here.');
        }

        return $value;
    }

    /**
     * @template T of \BackedEnum
     *
     * @param  class-string<T>  $enum
     * @return T
     */
    public function choice(string $key, string $enum, ?string $default = null): mixed
    {
        $value = $this->data[$key] ?? $default;
        $case = is_string($value) ? $enum::tryFrom($value) : null;
        if ($case === null) {
            $known = implode(', ', array_map(fn (\BackedEnum $c): string => (string) $c->value, $enum::cases()));
            throw Invalid::at($this->path($key), "This is none of: {$known}.");
        }

        return $case;
    }

    /**
     * @param  list<string>  $known
     * @param  string|null  $default  where nothing is said; null where something must be
     */
    public function oneOf(string $key, array $known, ?string $default = null): string
    {
        $value = $this->text($key, 40, $default);

        return in_array($value, $known, true) ? $value
            : throw Invalid::at($this->path($key), 'This is none of: '.implode(', ', $known).'.');
    }

    public function group(string $key): self
    {
        return self::of($this->data[$key] ?? null, $this->path($key));
    }

    public function optionalGroup(string $key): ?self
    {
        return $this->has($key) ? $this->group($key) : null;
    }

    /**
     * @return list<self>
     *
     * @throws Invalid when it is not a list, or a longer one than allowed
     */
    public function groups(string $key, int $most = 200): array
    {
        $result = [];
        foreach ($this->items($key, $most) as $i => $item) {
            $result[] = self::of($item, $this->path($key).'.'.$i);
        }

        return $result;
    }

    /** @return list<string> */
    public function texts(string $key, int $most = 50, int $max = 300): array
    {
        $result = [];
        foreach ($this->items($key, $most) as $i => $item) {
            $result[] = self::of(['it' => $item], $this->path($key).'.'.$i)->text('it', $max);
        }

        return $result;
    }

    /** @return list<int> */
    public function integers(string $key, int $most, int $min, int $max): array
    {
        $result = [];
        foreach ($this->items($key, $most) as $i => $item) {
            $result[] = self::of(['it' => $item], $this->path($key).'.'.$i)->integer('it', $min, $max);
        }

        return $result;
    }

    /** @return list<mixed> */
    private function items(string $key, int $most): array
    {
        $value = $this->data[$key] ?? [];
        if (! is_array($value) || ! array_is_list($value)) {
            throw Invalid::at($this->path($key), 'A list was expected here.');
        }
        if (count($value) > $most) {
            throw Invalid::at($this->path($key), "There are too many: {$most} at most.");
        }

        return $value;
    }
}
