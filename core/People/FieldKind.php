<?php

declare(strict_types=1);

namespace Lantern\Core\People;

/** The kinds of fields a form can have. Email is always there; it and the next three stand once in a form. */
enum FieldKind: string
{
    case Email = 'email';
    case FirstName = 'first_name';
    case LastName = 'last_name';
    case Phone = 'phone';
    case ShortText = 'short_text';
    case LongText = 'long_text';
    case Choice = 'choice';
    case Choices = 'choices';
    case Number = 'number';
    case Date = 'date';
    case Consent = 'consent';
    case Hidden = 'hidden';

    /** Up to so many choices stand in rows of their own; more of them in a list that opens. */
    public const MOST_ROWS = 6;

    public function label(): string
    {
        return match ($this) {
            self::Email => 'Email address',
            self::FirstName => 'First name',
            self::LastName => 'Last name',
            self::Phone => 'Phone',
            self::ShortText => 'A line of text',
            self::LongText => 'A longer text',
            self::Choice => 'One choice',
            self::Choices => 'Several choices',
            self::Number => 'Number',
            self::Date => 'Date',
            self::Consent => 'A box to tick',
            self::Hidden => 'Hidden',
        };
    }

    /** Is its place on the person fixed, so that it needs no name of its own? */
    public function isOfPerson(): bool
    {
        return in_array($this, [self::Email, self::FirstName, self::LastName, self::Phone], true);
    }

    public function hasOptions(): bool
    {
        return $this === self::Choice || $this === self::Choices;
    }

    /** The longest answer stored, in characters. */
    public function longest(): int
    {
        return match ($this) {
            self::Email => 254,
            self::FirstName, self::LastName, self::ShortText => 100,
            self::Phone => 40,
            self::LongText => 4000,
            self::Number => 30,
            self::Date => 10,
            self::Consent => 3,
            self::Choice, self::Choices, self::Hidden => 300,
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
            default => 'off',
        };
    }

    public function inputType(): string
    {
        return match ($this) {
            self::Email => 'email',
            self::Phone => 'tel',
            self::Date => 'date',
            default => 'text',
        };
    }
}
