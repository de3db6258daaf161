<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Written;

/**
 * One thing that a rule asks for: how it is chosen, and how it reads in a sentence. The Studio draws its rows from these
 * and words a rule as {@see Rule::words()} does; a list of examples holds the two together.
 */
final readonly class RuleField
{
    use Rebuilt;

    public const TYPES = ['choice', 'tag', 'mail', 'place', 'deadline', 'webinar', 'guide', 'guide-page', 'field', 'date', 'value',
        'number', 'day'];

    /**
     * @param  value-of<self::TYPES>  $type  `choice` has options; a tag; an email or broadcast; a page or funnel; a deadline; a
     *     webinar; a guide or one of its pages; a field of people, or one that holds a date; words; days; a date
     * @param  string  $name  the value it sets; '' for a choice, whose options say what they set
     * @param  string  $label  for those who have it read aloud
     * @param  list<array{label: string, words: string, sets: array<string, string|int|bool>, own: bool}>  $options  `own`: only for a
     *     field of the owner's own
     * @param  array<string, list<string|bool>>  $when  it is asked for only if these have one of these values
     * @param  bool  $optional  may it be left out?
     * @param  string  $words  in a sentence, with `{}` for the value; `one` is for the number one
     * @param  string  $none  in a sentence, where nothing is chosen
     */
    private function __construct(
        public string $type,
        public string $name,
        public string $label,
        public array $options = [],
        public array $when = [],
        public bool $optional = false,
        public string $words = '“{}”',
        public string $one = '',
        public string $none = '',
    ) {
    }

    /**
     * @param  list<array{0: string, 1: array<string, string|int|bool>, 2?: string, 3?: bool}>  $options  label, what it sets, its words
     *     where they differ, and whether it is for own fields only
     */
    public static function choice(string $label, array $options): self
    {
        return new self('choice', '', $label, array_map(fn (array $o): array => ['label' => $o[0], 'words' => $o[2] ?? $o[0],
            'sets' => $o[1], 'own' => $o[3] ?? false], $options));
    }

    /** @param  'tag'|'mail'|'place'|'deadline'|'webinar'|'guide'|'guide-page'|'field'|'date'|'value'|'number'|'day'  $type */
    public static function of(
        string $type,
        string $name,
        string $label,
        bool $optional = false,
        string $words = '“{}”',
        string $one = '',
        string $none = '',
    ): self {
        return new self($type, $name, $label, [], [], $optional, $words, $one, $none);
    }

    /** @param  list<string|bool>  $values */
    public function when(string $name, array $values): self
    {
        return $this->changed(when: [$name => $values] + $this->when);
    }

    /**
     * @param  list<array{0: string, 1: string, 2: string}>  $options  label, value and words of what stands in its list beside the owner's
     *     own
     */
    public function with(array $options): self
    {
        return $this->changed(options: array_map(
            fn (array $o): array => ['label' => $o[0], 'words' => $o[2], 'sets' => [$this->name => $o[1]], 'own' => false], $options));
    }

    /** @param  array<string, string|int|bool>  $values */
    public function appliesTo(array $values): bool
    {
        foreach ($this->when as $name => $wanted) {
            if (! in_array($values[$name] ?? '', $wanted, true)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  array<string, string|int|bool>  $values
     * @param  callable(string): string  $name
     */
    public function words(array $values, callable $name): string
    {
        foreach ($this->options as $option) {
            if (array_intersect_key($values, $option['sets']) == $option['sets'] && $option['sets'] !== []) {
                return $option['words'];
            }
        }
        $value = $values[$this->name] ?? '';
        if ($value === '' || $value === 0 || $this->type === 'choice') {
            return $this->none;
        }
        $value = (string) $value;

        return str_replace('{}', in_array($this->type, ['mail', 'place', 'deadline', 'webinar', 'guide', 'guide-page', 'field', 'date'],
            true) ? $name($value)
            : $value,
            $value === '1' && $this->one !== '' ? $this->one : $this->words);
    }

    /** @return array<string, array<string, mixed>> by name, what each value that it sets may be, as a JSON Schema */
    public function schemas(): array
    {
        if ($this->type !== 'choice') {
            return [$this->name => match ($this->type) {
                'tag' => Written::text(300, least: 1),
                'mail', 'place' => Written::text(60, 'the id of a page, funnel, email or broadcast; any where it is not said'),
                'deadline', 'webinar', 'guide', 'guide-page' => Written::id(),
                'field', 'date' => Written::ref('name'),
                'value' => Written::text(300),
                'number' => Written::whole(0, 3650, 'days of 24 hours back from now; of a share, percent'),
                'day' => Written::ref('day'),
            }];
        }
        $values = [];
        foreach ($this->options as $option) {
            foreach ($option['sets'] as $name => $value) {
                $values[$name][] = $value;
            }
        }

        return array_map(fn (array $of): array => is_bool($of[0]) ? Written::flag()
            : Written::choice(array_values(array_unique(array_map(strval(...), $of)))), $values);
    }

    /** @return list<string> names of the values without which a rule is none; what is a flag is no where it is not said */
    public function required(): array
    {
        if ($this->optional || $this->when !== []) {
            return [];
        }

        return array_keys(array_filter($this->schemas(), fn (array $s): bool => ($s['type'] ?? '') !== 'boolean'));
    }

    /** @return array<string, mixed> as the Studio reads it */
    public function toArray(): array
    {
        return ['type' => $this->type, 'name' => $this->name, 'label' => $this->label, 'options' => $this->options,
            'when' => (object) $this->when, 'optional' => $this->optional,
            'words' => $this->words, 'one' => $this->one, 'none' => $this->none];
    }
}
