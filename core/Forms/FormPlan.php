<?php

declare(strict_types=1);

namespace Lantern\Core\Forms;

use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\People\FieldKind;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/**
 * A form: what it asks, its words, and what follows when it is filled in.
 *
 * Consent words that are not empty must be agreed to when `consentRequired`; `marketing` words, if there are any, are
 * a box of their own that nobody must tick. Both are kept with each submission, word for word. With `doubleOptIn`
 * nothing follows before the address is confirmed.
 */
final readonly class FormPlan implements Part
{
    use PlainPart;
    use Rebuilt;

    public const MOST_FIELDS = 30;

    /**
     * @param  list<FormField>  $fields
     * @param  list<string>  $tags
     * @param  string  $done  words shown after, where no page is (on other web sites)
     * @param  string  $webinar  the id of the one it registers for; '' for none
     * @param  string  $hook  a web address that is told of every submission; '' for none
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $fields,
        public string $button,
        public string $consent,
        public bool $consentRequired,
        public array $tags,
        public string $marketing = '',
        public bool $doubleOptIn = false,
        public ConfirmWords $confirm = new ConfirmWords,
        public string $done = '',
        public OwnerNotice $notice = OwnerNotice::Never,
        public string $hook = '',
        public string $nextButton = '',
        public string $webinar = '',
    ) {
    }

    public static function kind(): string
    {
        return 'form';
    }

    public static function label(): string
    {
        return 'form';
    }

    public static function most(): int
    {
        return 20;
    }

    /** @throws Invalid when the email field is missing, a field stands twice, or the button has no words */
    public static function fromShape(Shape $shape): self
    {
        $fields = array_map(FormField::fromShape(...), $shape->groups('fields', self::MOST_FIELDS));
        $names = array_map(fn (FormField $f): string => $f->key(), $fields);
        if (! in_array(FieldKind::Email->value, $names, true)) {
            throw Invalid::at($shape->path('fields'), 'A form needs the email field: without it nobody can be written to.');
        }
        if (count($names) !== count(array_unique($names))) {
            $twice = array_keys(array_filter(array_count_values($names), fn (int $n): bool => $n > 1))[0] ?? '';
            throw Invalid::at($shape->path('fields'), "A form asks for each thing once; “{$twice}” stands in it twice.");
        }
        $button = trim($shape->text('button', 60));
        if ($button === '') {
            throw Invalid::at($shape->path('button'), 'The button needs words that say what happens next.');
        }
        $tags = [];
        foreach ($shape->texts('tags', 10, 60) as $tag) {
            $tag = trim((string) preg_replace('/\s+/u', ' ', $tag));
            if ($tag !== '' && ! in_array(mb_strtolower($tag), array_map(mb_strtolower(...), $tags), true)) {
                $tags[] = $tag;
            }
        }
        $consent = trim($shape->text('consent', 1000, ''));
        $hook = trim($shape->text('hook', 500, ''));
        if ($hook !== '' && (filter_var($hook, FILTER_VALIDATE_URL) === false
            || preg_match('~^https?://[^/@\s]+(/|$|\?)~i', $hook) !== 1)) {
            throw Invalid::at($shape->path('hook'),
                'A webhook is a web address that begins with https:// or http://, without a password in it.');
        }

        $name = trim($shape->text('name', 120));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'Please give the form a name. Only you will see it.');
        }

        return new self($shape->text('id', 40), $name, $fields, $button, $consent,
            $consent !== '' && $shape->flag('consentRequired'), $tags, trim($shape->text('marketing', 1000, '')),
            $shape->flag('doubleOptIn'),
            ConfirmWords::fromShape($shape->optionalGroup('confirm')), trim($shape->text('done', 1000, '')),
            $shape->choice('notice', OwnerNotice::class, OwnerNotice::Never->value), $hook, trim($shape->text('nextButton', 60, '')),
            $shape->text('webinar', 40, ''));
    }

    public function field(string $name): ?FormField
    {
        foreach ($this->fields as $field) {
            if ($field->key() === $name) {
                return $field;
            }
        }

        return null;
    }

    /** Does it ask for something only after the address is taken in? */
    public function hasTwoSteps(): bool
    {
        return $this->fieldsIn(2) !== [];
    }

    /** @return list<FormField> */
    public function fieldsIn(int $step): array
    {
        return array_values(array_filter($this->fields, fn (FormField $f): bool => $f->step === $step));
    }

    public function references(): array
    {
        return [...EmailBody::references($this->confirm->body), ...array_filter([$this->webinar], fn (string $w): bool => $w !== '')];
    }

    public function uploads(): array
    {
        return EmailBody::pictures($this->confirm->body);
    }

    public function with(ConfirmWords $confirm): self
    {
        return $this->changed(confirm: $confirm);
    }

    public function withIds(array $ids): self
    {
        return $this->changed(id: $ids[$this->id] ?? $this->id, confirm: $this->confirm->withIds($ids),
            webinar: $ids[$this->webinar] ?? $this->webinar);
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'name' => Written::text(120, 'private', 1), 'fields' => Written::listOf(FormField::schema(), self::MOST_FIELDS, least: 1),
            'button' => Written::text(60, least: 1), 'consent' => Written::text(1000), 'consentRequired' => Written::flag(),
            'tags' => Written::ref('tags'), 'marketing' => Written::text(1000, 'the text beside a box of their own that nobody must tick'),
            'doubleOptIn' => Written::flag(), 'confirm' => ConfirmWords::schema(),
            'done' => Written::text(1000, 'the text shown after, on other web sites'), 'notice' => Written::choice(OwnerNotice::class),
            'hook' => Written::text(500, 'a web address that is told of every submission'), 'nextButton' => Written::text(60),
            'webinar' => Written::id('the one it registers for'),
        ], ['name', 'fields', 'button', 'consent', 'consentRequired', 'tags']);
    }

    /** @return array<string, mixed> what is always there, and of the rest only what differs from a plain form */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'name' => $this->name,
            'fields' => array_map(fn (FormField $f): array => $f->toArray(), $this->fields),
            'button' => $this->button, 'consent' => $this->consent, 'consentRequired' => $this->consentRequired,
            'tags' => $this->tags,
        ] + array_filter([
            'marketing' => $this->marketing, 'doubleOptIn' => $this->doubleOptIn, 'confirm' => $this->confirm->toArray(),
            'done' => $this->done, 'notice' => $this->notice === OwnerNotice::Never ? '' : $this->notice->value, 'hook' => $this->hook,
            'nextButton' => $this->nextButton, 'webinar' => $this->webinar,
        ], fn (string|bool|array $v): bool => $v !== '' && $v !== false && $v !== []);
    }
}
