<?php

declare(strict_types=1);

namespace App\People\Fields;

use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Forms\FormField;
use Lantern\Core\People\FieldKind;
use Lantern\Core\Rules\Comparison;
use Lantern\Core\Rules\Moments;

/** The owner's own fields of people: which there are, and what is known of each person in them. */
final class OwnFields
{
    public const LONGEST_KEY = 300;

    /** A form that keeps its answers makes its field known. The newest label and choices hold; the kind stays. */
    public static function know(int $business, FormField $field): void
    {
        self::add($business, $field->key(), mb_substr($field->label, 0, 120), $field->kind, $field->options);
    }

    /** @param  list<string>  $options */
    public static function add(int $business, string $name, string $label, FieldKind $kind, array $options = []): void
    {
        $now = Instant::sql(CarbonImmutable::now());
        DB::table('own_fields')->upsert(['business_id' => $business, 'name' => $name, 'label' => $label, 'kind' => $kind->value,
            'options' => json_encode($options, JSON_THROW_ON_ERROR), 'created_at' => $now, 'updated_at' => $now], ['business_id', 'name'],
            ['label', 'options', 'updated_at']);
    }

    /** @return list<array{name: string, label: string, kind: string, options: list<string>}> */
    public static function of(int $business): array
    {
        return array_values(DB::table('own_fields')->where('business_id', $business)->orderBy('label')->get()
            ->map(fn ($f): array => ['name' => (string) $f->name, 'label' => (string) $f->label, 'kind' => (string) $f->kind,
                'options' => array_values(array_map(strval(...), (array) json_decode((string) $f->options, true)))])->all());
    }

    /**
     * What is known of a person in a field, in place of what was known before.
     *
     * @param  list<string>  $values  none to forget it
     */
    public static function set(string $person, string $name, array $values): void
    {
        DB::table('person_values')->where('person_id', $person)->where('name', $name)->delete();
        DB::table('person_values')->insert(array_map(fn (string $v): array => self::row($person, $name, $v),
            array_values(array_filter($values, fn (string $v): bool => $v !== ''))));
    }

    public static function has(string $person, string $name): bool
    {
        return DB::table('person_values')->where('person_id', $person)->where('name', $name)->exists();
    }

    /** @return array<string, mixed> as a row of `person_values` */
    public static function row(string $person, string $name, string $value): array
    {
        // A number is written as it stands, since the driver would round a float.
        return ['person_id' => $person, 'name' => $name, 'value' => $value, 'value_key' => self::key($value),
            'number' => Comparison::number($value) === null ? null : $value, 'day' => Moments::isDay($value) ? $value : null];
    }

    /** What long values are found by first; their small letters are no longer than this if they are not longer than half of it. */
    public static function key(string $value): string
    {
        return mb_substr(mb_strtolower($value), 0, self::LONGEST_KEY);
    }
}
