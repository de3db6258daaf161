<?php

declare(strict_types=1);

namespace Lantern\Core\People;

use Lantern\Core\Languages\Languages;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\WallClock;

/**
 * How an import reads a row: which column is what, what happens to people who are there already, and what everybody
 * gets. A column goes to `email`, `first_name`, `last_name`, `full_name`, `phone`, `tags`, `joined`, or to a field of the owner's own.
 */
final readonly class ImportPlan
{
    public const FILL = 'fill';

    public const REPLACE = 'replace';

    public const SKIP = 'skip';

    /** Where a column can go, with the headings by which it is known. */
    private const GUESSES = [
        'email' => ['email', 'e-mail', 'mail', 'email address', 'e-mail address', 'e-mail-adresse', 'correo', 'courriel', 'address'],
        'first_name' => ['first name', 'firstname', 'first', 'given name', 'forename', 'vorname', 'prénom', 'nombre'],
        'last_name' => ['last name', 'lastname', 'last', 'surname', 'family name', 'nachname', 'nom', 'apellido'],
        'full_name' => ['name', 'full name', 'contact'],
        'phone' => ['phone', 'telephone', 'mobile', 'tel', 'telefon', 'phone number'],
        'timezone' => ['time zone', 'timezone', 'tz', 'zeitzone', 'fuseau horaire', 'zona horaria'],
        'language' => ['language', 'lang', 'sprache', 'langue', 'idioma', 'lingua', 'taal', 'język', 'preferred language'],
        'standing' => ['standing', 'status', 'subscription', 'subscription status', 'opt-in status', 'consent status'],
        'tags' => ['tags', 'tag', 'labels', 'groups'],
        'joined' => ['joined', 'joined at', 'subscribed', 'date', 'created', 'created at', 'sign-up date', 'signed up'],
    ];

    /**
     * @param  list<string>  $columns  by position, where it goes; '' for nowhere
     * @param  list<string>  $tags
     */
    private function __construct(
        public array $columns,
        public string $known,
        public array $tags,
        public bool $marketing,
        public bool $header,
        public DateOrder $dates,
    ) {
    }

    /** @throws Invalid when no column is the address, two are the same, or nobody says that these people agreed */
    public static function fromShape(Shape $shape): self
    {
        $columns = $shape->texts('columns', 200, 40);
        foreach ($columns as $i => $column) {
            if ($column !== '' && preg_match('/^[a-z][a-z0-9_]{0,39}$/D', $column) !== 1) {
                throw Invalid::at("columns.{$i}", 'This is no field that a column can go to.');
            }
        }
        if (! in_array('email', $columns, true)) {
            throw Invalid::at('columns', 'Say which column holds the email address: without it nobody can be known again.');
        }
        $twice = array_filter(array_count_values(array_filter($columns, fn (string $c): bool => $c !== '' && $c !== 'tags')),
            fn (int $n): bool => $n > 1);
        if ($twice !== []) {
            throw Invalid::at('columns', 'Two columns go to the same field. Choose one of them.');
        }
        if (! $shape->flag('agreed')) {
            throw Invalid::at('agreed', 'Please confirm that these people agreed to hear from you.');
        }
        $known = $shape->text('known', 10, self::FILL);

        return new self($columns, in_array($known, [self::FILL, self::REPLACE, self::SKIP], true) ? $known
            : throw Invalid::at('known', 'Choose what happens to people who are there already.'),
            array_values(array_filter(array_map(trim(...), $shape->texts('tags', 10, 60)), fn (string $t): bool => $t !== '')),
            $shape->flag('marketing', true), $shape->flag('header', true),
            $shape->choice('dates', DateOrder::class, DateOrder::Open->value));
    }

    /**
     * Where columns most likely go, by their headings and by what stands in them.
     *
     * @param  list<string>  $headings
     * @param  list<list<string>>  $rows  some of them
     * @param  array<string, string>  $own  labels of the owner's own fields by name
     * @return list<string>
     */
    public static function guess(array $headings, array $rows, array $own = []): array
    {
        $columns = [];
        foreach ($headings as $i => $heading) {
            $words = mb_strtolower(trim((string) preg_replace('/[\s_]+/u', ' ', $heading)));
            $to = '';
            foreach (self::GUESSES as $field => $names) {
                $to = in_array($words, $names, true) && ! in_array($field, $columns, true) ? $field : $to;
            }
            foreach ($own as $name => $label) {
                $to = $to === '' && ($words === mb_strtolower($label) || $words === str_replace('_', ' ', $name))
                    && ! in_array($name, $columns, true) ? $name : $to;
            }
            $columns[$i] = $to;
        }
        if (! in_array('email', $columns, true)) {
            foreach (array_keys($headings) as $i) {
                $with = array_filter($rows, fn (array $r): bool => str_contains($r[$i] ?? '', '@'));
                if ($columns[$i] === '' && $rows !== [] && count($with) * 2 > count($rows)) {
                    $columns[$i] = 'email';
                    break;
                }
            }
        }

        return array_values($columns);
    }

    /** Does a first line name the columns, rather than hold somebody? It does if no address stands in it. */
    public static function hasHeader(string ...$first): bool
    {
        return array_filter($first, fn (string $f): bool => preg_match('/^\S+@\S+\.\S+$/', trim($f)) === 1) === [];
    }

    /**
     * A row as a person, or the reason why it is none.
     *
     * @param  list<string>  $fields
     * @param  array<string, FieldKind>  $own  kinds of the owner's own fields by name
     *
     * @throws Invalid with one sentence for the report
     */
    public function row(array $fields, array $own = []): ImportedPerson
    {
        if (count($fields) > max(count($this->columns), 1) + 20) {
            throw Invalid::at('row', 'This line has '.count($fields).' columns, many more than the first one.');
        }
        $email = null;
        $values = ['first_name' => '', 'last_name' => '', 'phone' => ''];
        $tags = $this->tags;
        $joined = $zone = $language = null;
        $subscription = Subscription::Subscribed;
        $note = '';
        $more = [];
        foreach ($this->columns as $i => $to) {
            // Exports mark words that would look like a formula; that mark is not part of them.
            $written = CsvWriter::unguarded($fields[$i] ?? '');
            $value = trim((string) preg_replace('/[\p{Cc}\p{Zl}\p{Zp}\s]+/u', ' ', $written));
            if ($to === '' || ($value === '' && $to !== 'email')) {
                continue;
            }
            if ($to === 'email') {
                $email = EmailAddress::of($value);
            } elseif ($to === 'full_name') {
                [$values['first_name'], $values['last_name']] = self::names($value, $values);
            } elseif ($to === 'tags') {
                array_push($tags, ...array_map(fn (string $t): string => trim(mb_substr($t, 0, 60)), ListCell::read($value)));
            } elseif ($to === 'timezone') {
                $zone = WallClock::isZone($value) ? $value : null;
                $note = $zone === null ? 'Imported without a time zone: “'.mb_strimwidth($value, 0, 40, '…').'” is none. '
                    .'Write it like Europe/London.' : $note;
            } elseif ($to === 'language') {
                $language = self::language($value);
                $note = $language === null ? 'Imported without a language: “'.mb_strimwidth($value, 0, 40, '…').'” is none. '
                    .'Write it like de or pt-BR.' : $note;
            } elseif ($to === 'standing') {
                $subscription = self::subscription($value) ?? throw Invalid::at('standing',
                    'Left out, since nobody can know whether they may be written to: “'.mb_strimwidth($value, 0, 40, '…')
                    .'” is no subscription state. Write subscribed, unsubscribed or bounced.');
            } elseif ($to === 'joined') {
                $joined = self::day($value, $this->dates);
                $note = $joined === null ? 'Imported as if they had joined today: “'.mb_strimwidth($value, 0, 40, '…')
                    .'” is no day, or may be two. Write it like 2027-03-31.' : $note;
            } elseif (isset($values[$to])) {
                $values[$to] = mb_substr($value, 0, $to === 'phone' ? 40 : 100);
            } else {
                $kind = $own[$to] ?? FieldKind::ShortText;
                // Where somebody wrote several lines, they stay several.
                $words = $kind === FieldKind::LongText ? trim((string) preg_replace('/\r\n?/', "\n", $written)) : $value;
                $more[$to] = self::own($to, $words, $kind, $this->dates);
            }
        }

        return new ImportedPerson($email ?? EmailAddress::of(''), $values['first_name'], $values['last_name'], $values['phone'],
            array_values(array_unique($tags)), $joined, $more, $note, $zone, $subscription,
            $language);
    }

    /** A language by its tag; a region that makes no difference here is left out, as of `de-DE`. */
    private static function language(string $value): ?string
    {
        $tag = str_replace('_', '-', $value);
        foreach ([$tag, strtolower($tag), strtolower(explode('-', $tag)[0])] as $written) {
            if (Languages::isKnown($written)) {
                return $written;
            }
        }

        return null;
    }

    /** How somebody stands to the list, in our own words or as other programs say it. */
    private static function subscription(string $value): ?Subscription
    {
        return Subscription::tryFrom(mb_strtolower($value)) ?? match (mb_strtolower(str_replace(['-', '_'], ' ', $value))) {
            'active', 'subscribed', 'confirmed', 'opted in', 'yes', 'true', '1' => Subscription::Subscribed,
            'unsubscribed', 'opted out', 'opt out', 'removed', 'inactive', 'left', 'no', 'false', '0' => Subscription::Unsubscribed,
            'bounced', 'cleaned', 'hard bounce', 'hard bounced', 'invalid' => Subscription::Bounced,
            'complained', 'complaint', 'spam', 'abuse', 'marked as spam' => Subscription::Complained,
            'unconfirmed', 'pending' => Subscription::Unconfirmed,
            'no marketing', 'receipts only', 'transactional' => Subscription::NoMarketing,
            default => null,
        };
    }

    /**
     * What somebody wrote into one of the owner's own fields; several choices with semicolons between.
     *
     * @return list<string>
     *
     * @throws Invalid for a number that is none, or a day there is not
     */
    public static function own(string $name, string $value, FieldKind $kind, DateOrder $dates = DateOrder::Open): array
    {
        return match ($kind) {
            FieldKind::Choices => ListCell::read($value, ';|'),
            FieldKind::Number => [Number::read($value)
                ?? throw Invalid::at($name, "“{$value}” is no number, or may be two. Write it like 1234.5.")],
            // Of a moment the day it says.
            FieldKind::Date => [self::day(str_contains($value, 'T') ? substr($value, 0, 10) : $value, $dates)
                ?? throw Invalid::at($name, "“{$value}” is no day. Write it like 2027-03-31.")],
            default => [mb_substr($value, 0, 4000)],
        };
    }

    /**
     * The last word is the last name, as most of the west writes it.
     *
     * @param  array<string, string>  $known
     * @return array{string, string}
     */
    private static function names(string $full, array $known): array
    {
        if (str_contains($full, ',')) {
            [$last, $first] = array_map(trim(...), explode(',', $full, 2));
        } else {
            $at = mb_strrpos($full, ' ');
            [$first, $last] = $at === false ? [$full, ''] : [mb_substr($full, 0, $at), mb_substr($full, $at + 1)];
        }

        return [$known['first_name'] === '' ? mb_substr($first, 0, 100) : $known['first_name'],
            $known['last_name'] === '' ? mb_substr($last, 0, 100) : $known['last_name']];
    }

    /** A day as most programs write it. Of 03/04/2026 nobody can know which it is, unless the file shows its order elsewhere. */
    private static function day(string $value, DateOrder $dates): ?string
    {
        // A moment that says its zone is that very moment, whatever day it is where its owner lives.
        if (preg_match('/^(\d{4}-\d{2}-\d{2})T([01]\d|2[0-3]):[0-5]\d(:[0-5]\d(\.\d{1,6})?)?(Z|[+-]\d{2}:?\d{2})$/D', $value, $m) === 1
            && WallClock::isDay($m[1])) {
            return $value;
        }
        $day = match (true) {
            preg_match('/^(\d{4})-(\d{1,2})-(\d{1,2})(?:[T ]|$)/', $value, $m) === 1 => [$m[1], $m[2], $m[3]],
            preg_match('/^(\d{1,2})\.(\d{1,2})\.(\d{4})$/D', $value, $m) === 1 => [$m[3], $m[2], $m[1]],
            preg_match('~^(\d{1,2})/(\d{1,2})/(\d{4})$~D', $value, $m) === 1
                && ((int) $m[1] > 12 || $dates === DateOrder::DayFirst) => [$m[3], $m[2], $m[1]],
            preg_match('~^(\d{1,2})/(\d{1,2})/(\d{4})$~D', $value, $m) === 1
                && ((int) $m[2] > 12 || $dates === DateOrder::MonthFirst || $m[1] === $m[2]) => [$m[3], $m[1], $m[2]],
            default => null,
        };

        return $day !== null && checkdate((int) $day[1], (int) $day[2], (int) $day[0])
            ? sprintf('%04d-%02d-%02d', $day[0], $day[1], $day[2]) : null;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['columns' => $this->columns, 'known' => $this->known, 'tags' => $this->tags, 'marketing' => $this->marketing,
            'header' => $this->header, 'dates' => $this->dates->value, 'agreed' => true];
    }
}
