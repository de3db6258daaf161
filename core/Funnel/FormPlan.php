<?php

declare(strict_types=1);

namespace Lantern\Core\Funnel;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * A form: what it asks, the words on its button and under it, and the tag its people get.
 * Consent words that are not empty must be agreed to when `consentRequired`; they are kept with each submission.
 */
final readonly class FormPlan
{
    /**
     * @param  list<FormField>  $fields
     * @param  list<string>  $tags
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $fields,
        public string $button,
        public string $consent,
        public bool $consentRequired,
        public array $tags,
    ) {
    }

    /** @throws Invalid when the email field is missing, a field stands twice, or the button has no words */
    public static function fromShape(Shape $shape): self
    {
        $fields = array_map(FormField::fromShape(...), $shape->groups('fields', 10));
        $kinds = array_map(fn (FormField $f): string => $f->kind->value, $fields);
        if (! in_array(FieldKind::Email->value, $kinds, true)) {
            throw Invalid::at($shape->path('fields'), 'A form needs the email field: without it nobody can be written to.');
        }
        if (count($kinds) !== count(array_unique($kinds))) {
            throw Invalid::at($shape->path('fields'), 'A form asks for each thing once.');
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

        return new self($shape->text('id', 40), $shape->text('name', 120), $fields, $button, $consent,
            $consent !== '' && $shape->flag('consentRequired'), $tags);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'name' => $this->name,
            'fields' => array_map(fn (FormField $f): array => $f->toArray(), $this->fields),
            'button' => $this->button, 'consent' => $this->consent, 'consentRequired' => $this->consentRequired,
            'tags' => $this->tags,
        ];
    }
}
