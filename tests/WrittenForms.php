<?php

declare(strict_types=1);

namespace Tests;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;

/** What we write and read, against the written formats. What somebody else adds is passed over; of what we write, all is described. */
final class WrittenForms
{
    private const BASE = 'https://upbeat-lantern.example/formats/';

    /** @return string what is wrong with it; '' for nothing */
    public static function trouble(mixed $data, string $format, bool $ours = true): string
    {
        $validator = new Validator;
        foreach (['plan', 'page', 'funnel'] as $name) {
            $schema = json_decode((string) file_get_contents(dirname(__DIR__)."/docs/formats/{$name}.schema.json"));
            $validator->resolver()?->registerRaw($ours ? self::closed($schema) : $schema, self::BASE."{$name}.schema.json");
        }
        $error = $validator->validate(json_decode((string) json_encode($data)), self::BASE."{$format}.schema.json")->error();

        return $error === null ? '' : (string) json_encode((new ErrorFormatter)->format($error));
    }

    /** The same without a place for anything that it does not describe. */
    private static function closed(mixed $schema): mixed
    {
        if (is_array($schema)) {
            return array_map(self::closed(...), $schema);
        }
        if (! is_object($schema)) {
            return $schema;
        }
        $closed = clone $schema;
        foreach (get_object_vars($schema) as $key => $value) {
            $closed->{$key} = in_array($key, ['if', 'then'], true) ? $value : self::closed($value);
        }
        if (isset($schema->properties) && is_object($schema->properties) && ! isset($schema->additionalProperties)
            && ($schema->type ?? '') === 'object') {
            $closed->additionalProperties = false;
        }

        return $closed;
    }
}
