<?php

declare(strict_types=1);

namespace Lantern\Core\People;

use Lantern\Core\Funnel\FieldKind;
use Lantern\Core\Funnel\FormPlan;
use Lantern\Core\Support\Invalid;

/** What somebody filled into a form, checked against that form: either clean values, or one sentence a field. */
final readonly class Answers
{
    /**
     * @param  array<string, string>  $values  by field kind; only fields the form asks for
     * @param  array<string, string>  $errors  one sentence each, by field kind or `consent`
     */
    private function __construct(
        public array $values,
        public array $errors,
        public ?EmailAddress $email,
        public bool $consented,
    ) {
    }

    /** @param  array<array-key, mixed>  $typed as posted, trusted in nothing */
    public static function read(FormPlan $form, array $typed): self
    {
        $values = [];
        $errors = [];
        $email = null;
        foreach ($form->fields as $field) {
            $kind = $field->kind;
            $value = self::clean($typed[$kind->value] ?? '');
            $values[$kind->value] = $value;
            if ($kind === FieldKind::Email) {
                try {
                    $email = EmailAddress::of($value);
                    $values[$kind->value] = $email->display;
                } catch (Invalid $e) {
                    $errors[$kind->value] = $e->getMessage();
                }
            } elseif ($value === '' && $field->required) {
                $errors[$kind->value] = "Please fill in: {$field->label}.";
            } elseif (mb_strlen($value) > $kind->longest()) {
                $errors[$kind->value] = "{$field->label} is too long: {$kind->longest()} characters at most.";
            } elseif ($kind === FieldKind::Phone && $value !== '' && preg_match('~^[+0-9][0-9 ()./-]{3,}$~D', $value) !== 1) {
                $errors[$kind->value] = 'A phone number holds digits, and perhaps a plus at the start.';
            }
        }
        $consented = ($typed['consent'] ?? '') === 'yes';
        if ($form->consentRequired && ! $consented) {
            $errors['consent'] = 'Please tick the box to say that you agree.';
        }

        return new self($values, $errors, $errors === [] ? $email : null, $consented);
    }

    /** One line of valid text: no control characters (a name ends up in mail headers), no runs of blanks. */
    private static function clean(mixed $value): string
    {
        if (! is_string($value) || ! mb_check_encoding($value, 'UTF-8')) {
            return '';
        }

        return trim((string) preg_replace('/[\p{Cc}\p{Zl}\p{Zp}\s]+/u', ' ', $value));
    }
}
