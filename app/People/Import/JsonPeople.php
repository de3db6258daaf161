<?php

declare(strict_types=1);

namespace App\People\Import;

use Generator;
use Lantern\Core\People\ListCell;
use Lantern\Core\Support\Invalid;

/**
 * People as JSON: a list of objects, be it the whole file or what its first list holds, such as `{"people": [{…}, {…}]}`. It is read
 * piece by piece, object by object, so that a list of any length takes little memory.
 */
final class JsonPeople
{
    /** Bytes of one person. */
    private const LONGEST = 200_000;

    private const MOST_FIELDS = 150;

    private const PIECE = 65_536;

    /** Where each column comes from: the names that our own export writes, and how others write them. */
    private const COLUMNS = ['Email' => ['email'], 'First name' => ['firstName', 'first_name'], 'Last name' => ['lastName', 'last_name'],
        'Phone' => ['phone'], 'Tags' => ['tags'], 'Time zone' => ['timezone', 'timeZone', 'time_zone'], 'Language' => ['language', 'lang'],
        'Joined' => ['joinedAt',
            'joined_at'],
        'Standing' => ['standing']];

    /**
     * @param  resource  $source
     * @param  list<string>  $choices  names of the owner's own fields that hold several values
     * @return Generator<list<string>> the headings first
     *
     * @throws Invalid
     */
    public static function rows($source, array $choices): Generator
    {
        $fields = [];
        $people = 0;
        foreach (self::objects($source) as $person) {
            $people++;
            foreach (array_keys(is_array($person['fields'] ?? null) ? $person['fields'] : []) as $name) {
                $fields[(string) $name] = true;
            }
            if (count($fields) > self::MOST_FIELDS) {
                throw Invalid::at('file', 'There are more fields in this list than people can have.');
            }
        }
        if ($people === 0) {
            throw Invalid::at('file', 'There is nothing to read in this file.');
        }
        $fields = array_map(strval(...), array_keys($fields));
        yield [...array_keys(self::COLUMNS), ...$fields];
        rewind($source);
        foreach (self::objects($source) as $person) {
            $own = is_array($person['fields'] ?? null) ? $person['fields'] : [];
            yield [...array_map(fn (array $names): string => self::first($person, $names), array_values(self::COLUMNS)),
                ...array_map(fn (string $name): string => self::cell($own[$name] ?? '', in_array($name, $choices, true)), $fields)];
        }
    }

    /**
     * @param  array<array-key, mixed>  $person
     * @param  list<string>  $names
     */
    private static function first(array $person, array $names): string
    {
        foreach ($names as $name) {
            if (isset($person[$name])) {
                return self::cell($person[$name], $name === 'tags');
            }
        }

        return '';
    }

    private static function cell(mixed $value, bool $isList): string
    {
        $values = array_map(fn (mixed $v): string => is_scalar($v) ? (string) $v : '', array_values(is_array($value) ? $value : [$value]));

        return count($values) === 1 && ! ($isList && is_array($value)) ? $values[0] : ListCell::write($values);
    }

    /**
     * @param  resource  $source
     * @return Generator<array<array-key, mixed>>
     *
     * @throws Invalid
     */
    private static function objects($source): Generator
    {
        $depth = 0;
        $base = null;
        $object = '';
        $isText = $isEscaped = $ended = false;
        while (! $ended && ! feof($source)) {
            foreach (str_split((string) fread($source, self::PIECE)) as $sign) {
                if ($object !== '' || ($base !== null && $depth === $base && $sign === '{')) {
                    $object .= $sign;
                    if (strlen($object) > self::LONGEST) {
                        throw Invalid::at('file', 'One person in this list is longer than anybody can be.');
                    }
                }
                if ($isText) {
                    [$isText, $isEscaped] = $isEscaped ? [true, false] : [$sign !== '"', $sign === '\\'];

                    continue;
                }
                $isText = $sign === '"';
                if ($sign === '{' || $sign === '[') {
                    $depth++;
                    $base ??= $sign === '[' ? $depth : null;
                } elseif ($sign === '}' || $sign === ']') {
                    $depth--;
                    if ($base !== null && $depth < $base) {
                        // What comes after the list is none of it.
                        $ended = true;
                        break;
                    }
                    if ($object !== '' && $depth === $base) {
                        $read = json_decode($object, true, 8);
                        yield is_array($read) ? $read : throw Invalid::at('file', 'This file is broken: a person in it is no JSON.');
                        $object = '';
                    }
                }
            }
        }
        if (! $ended) {
            throw Invalid::at('file', 'This file ends in the middle of its list, or there is no list of people in it.');
        }
    }
}
