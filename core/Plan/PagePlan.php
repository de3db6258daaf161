<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Page\Document;
use Lantern\Core\Support\Shape;

/** A page in a funnel plan. Its address is '' for the entry page. */
final readonly class PagePlan
{
    public function __construct(
        public string $id,
        public PageRole $role,
        public string $name,
        public string $address,
        public Document $document,
        public PageSettings $settings = new PageSettings,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(
            $shape->text('id', 40),
            $shape->choice('role', PageRole::class),
            $shape->text('name', 120),
            $shape->text('address', 60),
            Document::fromArray($shape->group('document')->all(), $shape->path('document')),
            PageSettings::fromShape($shape->optionalGroup('settings')),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'role' => $this->role->value, 'name' => $this->name, 'address' => $this->address,
            'document' => $this->document->toArray()] + ($this->settings->toArray() === [] ? [] : ['settings' => $this->settings->toArray()]);
    }
}
