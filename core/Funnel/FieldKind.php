<?php

declare(strict_types=1);

namespace Lantern\Core\Funnel;

/** The fields a form can ask for. Email is always there. */
enum FieldKind: string
{
    case Email = 'email';
    case FirstName = 'first_name';
    case LastName = 'last_name';
    case Phone = 'phone';

    public function label(): string
    {
        return match ($this) {
            self::Email => 'Email address',
            self::FirstName => 'First name',
            self::LastName => 'Last name',
            self::Phone => 'Phone',
        };
    }

    /** The longest answer stored, in characters. */
    public function longest(): int
    {
        return match ($this) {
            self::Email => 254,
            self::FirstName, self::LastName => 100,
            self::Phone => 40,
        };
    }

    /** The value for the HTML `autocomplete` attribute, so that browsers fill it in. */
    public function autocomplete(): string
    {
        return match ($this) {
            self::Email => 'email',
            self::FirstName => 'given-name',
            self::LastName => 'family-name',
            self::Phone => 'tel',
        };
    }

    public function inputType(): string
    {
        return match ($this) {
            self::Email => 'email',
            self::Phone => 'tel',
            default => 'text',
        };
    }
}
