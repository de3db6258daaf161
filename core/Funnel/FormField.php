<?php

declare(strict_types=1);

namespace Lantern\Core\Funnel;

use Lantern\Core\Support\Shape;

final readonly class FormField
{
    public function __construct(public FieldKind $kind, public string $label, public bool $required)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        $kind = $shape->choice('kind', FieldKind::class);
        $label = trim($shape->text('label', 80, $kind->label()));

        return new self($kind, $label === '' ? $kind->label() : $label, $kind === FieldKind::Email || $shape->flag('required'));
    }

    /** @return array{kind: string, label: string, required: bool} */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'label' => $this->label, 'required' => $this->required];
    }
}
