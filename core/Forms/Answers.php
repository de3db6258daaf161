<?php

declare(strict_types=1);

namespace Lantern\Core\Forms;

use Lantern\Core\Languages\Phrase;
use Lantern\Core\People\EmailAddress;
use Lantern\Core\People\FieldKind;
use Lantern\Core\People\Number;
use Lantern\Core\Support\Invalid;

/** What somebody filled into a form, checked against that form: either clean values, or one phrase a field. */
final readonly class Answers
{
    /**
     * @param  array<string, string>  $values  by field name; only fields the form asks for. Several choices stand one a line
     * @param  array<string, Phrase>  $errors  one each, by field name or `consent`
     */
    private function __construct(
        public array $values,
        public array $errors,
        public ?EmailAddress $email,
        public bool $consented,
        public bool $marketing = false,
    ) {
    }

    /**
     * @param  array<array-key, mixed>  $typed  as posted, trusted in nothing
     * @param  array<string, string>  $parameters  of the address the page was opened with, for hidden fields
     * @param  int  $step  the step that was filled in; the other one is left alone
     */
    public static function read(FormPlan $form, array $typed, array $parameters = [], int $step = 1): self
    {
        $values = [];
        $errors = [];
        $email = null;
        foreach ($form->fieldsIn($step) as $field) {
            $name = $field->key();
            try {
                $values[$name] = match ($field->kind) {
                    FieldKind::Hidden => self::hidden($field, $parameters),
                    FieldKind::Email => self::clean($typed[$name] ?? ''),
                    default => self::value($field, $typed[$name] ?? ''),
                };
                if ($field->kind === FieldKind::Email) {
                    $email = EmailAddress::of($values[$name]);
                    $values[$name] = $email->display;
                }
            } catch (Invalid $e) {
                $values[$name] ??= self::clean($typed[$name] ?? '');
                $errors[$name] = $e->said ?? throw $e;
            }
        }
        $consented = ($typed['consent'] ?? '') === 'yes';
        if ($step === 1 && $form->consentRequired && ! $consented) {
            $errors['consent'] = Phrase::of('form.consent');
        }

        return new self($values, $errors, $errors === [] ? $email : null, $consented,
            $form->marketing !== '' && ($typed['marketing'] ?? '') === 'yes');
    }

    /** @throws Invalid with one phrase for the visitor */
    private static function value(FormField $field, mixed $typed): string
    {
        $value = match ($field->kind) {
            FieldKind::Choices => self::choices($field, $typed),
            FieldKind::LongText => self::clean($typed, true),
            FieldKind::Consent => $typed === 'yes' ? 'yes' : '',
            default => self::clean($typed),
        };
        if ($value === '') {
            return $field->required ? throw Invalid::said($field->key(), match ($field->kind) {
                FieldKind::Consent => Phrase::of('form.tick'),
                FieldKind::Choice, FieldKind::Choices => Phrase::of('form.choose_one', ['label' => $field->label]),
                default => Phrase::of('form.missing', ['label' => $field->label]),
            }) : '';
        }
        $longest = $field->kind === FieldKind::Choices ? PHP_INT_MAX : $field->kind->longest();
        if (mb_strlen($value) > $longest) {
            throw Invalid::said($field->key(), Phrase::of('form.too_long', ['label' => $field->label, 'most' => $longest]));
        }

        return match ($field->kind) {
            FieldKind::Phone => preg_match('~^[+0-9][0-9 ()./-]{3,}$~D', $value) === 1 ? $value
                : throw Invalid::said($field->key(), Phrase::of('form.phone')),
            FieldKind::Choice => in_array($value, $field->options, true) ? $value
                : throw Invalid::said($field->key(), Phrase::of('form.no_choice', ['label' => $field->label])),
            FieldKind::Number => self::number($field, $value),
            FieldKind::Date => preg_match('/^(\d{4})-(\d{2})-(\d{2})$/D', $value, $m) === 1
                && checkdate((int) $m[2], (int) $m[3], (int) $m[1]) ? $value
                : throw Invalid::said($field->key(), Phrase::of('form.no_day', ['label' => $field->label])),
            default => $value,
        };
    }

    private static function number(FormField $field, string $value): string
    {
        return Number::read($value)
            ?? throw Invalid::said($field->key(), Phrase::of('form.no_number', ['label' => $field->label]));
    }

    /** @throws Invalid for an answer that was not among the choices */
    private static function choices(FormField $field, mixed $typed): string
    {
        $chosen = array_map(fn (mixed $v): string => self::clean($v),
            is_array($typed) ? array_values($typed) : ($typed === '' ? [] : [$typed]));
        if (array_diff($chosen, $field->options) !== []) {
            throw Invalid::said($field->key(), Phrase::of('form.no_choices', ['label' => $field->label]));
        }

        return implode("\n", array_values(array_intersect($field->options, $chosen)));
    }

    /** @param  array<string, string>  $parameters */
    private static function hidden(FormField $field, array $parameters): string
    {
        $value = $field->parameter === '' ? '' : self::clean($parameters[$field->parameter] ?? '');

        return mb_substr($value === '' ? $field->preset : $value, 0, $field->kind->longest());
    }

    /** Valid text: no control characters (a name ends up in mail headers), no runs of blanks; one line unless said otherwise. */
    private static function clean(mixed $value, bool $lines = false): string
    {
        if (! is_string($value) || ! mb_check_encoding($value, 'UTF-8')) {
            return '';
        }
        if ($lines) {
            $value = str_replace(["\r\n", "\r"], "\n", $value);
            $value = (string) preg_replace('/[^\P{Cc}\n]+/u', ' ', $value);

            return trim((string) preg_replace(['/[^\S\n]+/u', '/\n{3,}/'], [' ', "\n\n"], $value));
        }

        return trim((string) preg_replace('/[\p{Cc}\p{Zl}\p{Zp}\s]+/u', ' ', $value));
    }
}
