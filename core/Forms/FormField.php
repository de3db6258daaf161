<?php

declare(strict_types=1);

namespace Lantern\Core\Forms;

use Lantern\Core\People\FieldKind;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/**
 * A field of a form. Its `name` is the key of its answer; for email, names and phone it is the kind itself. A field
 * with `keep` is kept on the person as one of the owner's own fields. A hidden field takes its answer from the address
 * parameter `parameter`, or is always `preset`. On a form in two steps, `step` says in which it is asked.
 */
final readonly class FormField
{
    /** Names that mean something else where answers are sent. */
    public const TAKEN = ['token', 'form', 'zone', 'visitor', 'source', 'website', 'step', 'consent', 'marketing', 'download_link',
        'business', 'host', 'full_name', 'webinar_session'];

    /** @param  list<string>  $options */
    public function __construct(
        public FieldKind $kind,
        public string $label,
        public bool $required,
        public string $name = '',
        public string $hint = '',
        public string $placeholder = '',
        public array $options = [],
        public bool $keep = false,
        public int $step = 1,
        public string $parameter = '',
        public string $preset = '',
    ) {
    }

    /** @throws Invalid for a name that cannot be one, or a choice with nothing to choose from */
    public static function fromShape(Shape $shape): self
    {
        $kind = $shape->choice('kind', FieldKind::class);
        $label = trim($shape->text('label', $kind === FieldKind::Consent ? 1000 : 120, $kind->label()));
        $name = $kind->isOfPerson() ? $kind->value : $shape->text('name', 40, '');
        if (preg_match('/^[a-z][a-z0-9_]{0,39}$/D', $name) !== 1) {
            throw Invalid::at($shape->path('name'),
                'The name of a field holds small letters, digits and underscores, and begins with a letter.');
        }
        if (! $kind->isOfPerson() && (in_array($name, self::TAKEN, true) || FieldKind::tryFrom($name)?->isOfPerson() === true
            || str_starts_with($name, 'page_') || str_starts_with($name, 'price_'))) {
            throw Invalid::at($shape->path('name'), "“{$name}” is known already; please choose another name.");
        }
        $options = [];
        foreach ($kind->hasOptions() ? $shape->texts('options', 40, 120) : [] as $option) {
            $option = trim((string) preg_replace('/\s+/u', ' ', $option));
            if ($option !== '' && ! in_array($option, $options, true)) {
                $options[] = $option;
            }
        }
        if ($kind->hasOptions() && $options === []) {
            throw Invalid::at($shape->path('options'), "“{$label}” has nothing to choose from yet. Write one choice a line.");
        }
        $hidden = $kind === FieldKind::Hidden;
        $parameter = $hidden ? trim($shape->text('parameter', 40, '')) : '';
        if ($parameter !== '' && preg_match('/^[A-Za-z][A-Za-z0-9_-]*$/D', $parameter) !== 1) {
            throw Invalid::at($shape->path('parameter'), 'The name of an address parameter holds letters, digits, dashes and underscores.');
        }

        return new self($kind, $label === '' ? $kind->label() : $label,
            $kind === FieldKind::Email || (! $hidden && $shape->flag('required')), $name,
            $hidden ? '' : trim($shape->text('hint', 200, '')), $hidden ? '' : trim($shape->text('placeholder', 100, '')), $options,
            ! $kind->isOfPerson() && $shape->flag('keep'), $kind === FieldKind::Email ? 1 : $shape->integer('step', 1, 2, 1), $parameter,
            $hidden ? trim($shape->text('preset', 300, '')) : '');
    }

    public function key(): string
    {
        return $this->name === '' ? $this->kind->value : $this->name;
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'kind' => Written::choice(FieldKind::class), 'label' => Written::text(1000), 'required' => Written::flag(),
            'name' => Written::ref('name', 'the key of the answer; for email, names and phone it is the kind'),
            'hint' => Written::text(200), 'placeholder' => Written::text(100), 'options' => Written::listOf(Written::text(120), 40),
            'keep' => Written::flag('kept on the person as one of the owner\'s own fields'),
            'step' => Written::whole(1, 2, 'on a form in two steps, in which it is asked'),
            'parameter' => Written::shaped('^[A-Za-z][A-Za-z0-9_-]*$', 40, 'of a hidden field: the address parameter it takes'),
            'preset' => Written::text(300),
        ], ['kind', 'label', 'required']);
    }

    /** @return array<string, mixed> only what differs from a plain field, beside kind, label and required */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'label' => $this->label, 'required' => $this->required]
            + ($this->kind->isOfPerson() ? [] : ['name' => $this->name])
            + array_filter(['hint' => $this->hint, 'placeholder' => $this->placeholder, 'options' => $this->options,
                'parameter' => $this->parameter, 'preset' => $this->preset],
                fn (string|array $v): bool => $v !== '' && $v !== [])
            + ($this->keep ? ['keep' => true] : []) + ($this->step === 1 ? [] : ['step' => $this->step]);
    }
}
