<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Events\Outcome;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\HoldsDocument;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** A page in a funnel plan. Its address is '' for the entry page. */
final readonly class PagePlan implements HoldsDocument
{
    use PlainPart;
    use Rebuilt;

    public function __construct(
        public string $id,
        public PageRole $role,
        public string $name,
        public string $address,
        public Document $document,
        public PageSettings $settings = new PageSettings,
    ) {
    }

    public static function kind(): string
    {
        return 'page';
    }

    public static function label(): string
    {
        return 'page';
    }

    public static function most(): int
    {
        return 40;
    }

    public static function fromShape(Shape $shape): self
    {
        $name = trim($shape->text('name', 120));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'Please give the page a name. Only you will see it.');
        }

        return new self(
            $shape->text('id', 40),
            self::role($shape),
            $name,
            $shape->text('address', 60),
            Document::fromArray($shape->group('document')->all(), $shape->path('document')),
            PageSettings::fromShape($shape->optionalGroup('settings')),
        );
    }

    /** @throws Invalid for a role that no page of a funnel has */
    private static function role(Shape $shape): PageRole
    {
        $role = $shape->choice('role', PageRole::class);

        return $role !== PageRole::Guide ? $role
            : throw Invalid::at($shape->path('role'), 'A guide is a part of its own, and no page.');
    }

    /** What is in a pop-up, drawn, filled and published as a page is. No visitor comes to its address by typing. */
    public static function ofPopup(Popup $popup): self
    {
        return new self($popup->id, PageRole::Free, $popup->name, "popup:{$popup->id}", $popup->document);
    }

    /**
     * A guide as the one page that visitors come to: all its pages that are shown, one after the other.
     *
     * @param  list<GuidePage>  $pages
     */
    public static function ofGuide(Guide $guide, array $pages): self
    {
        return new self($guide->id, PageRole::Guide, $guide->title, $guide->address, new Document(
            array_merge([], ...array_map(fn (GuidePage $p): array => $p->sections(), $pages)), Background::paper()));
    }

    /** A single page of a guide, drawn and checked as a page is. */
    public static function ofGuidePage(GuidePage $page): self
    {
        return new self($page->guide, PageRole::Guide, $page->name, "guide-page:{$page->id}", $page->document);
    }

    /** Is it a single page of a guide? */
    public function isOfGuide(): bool
    {
        return str_starts_with($this->address, 'guide-page:');
    }

    /** Is it what is in a pop-up? */
    public function isPopup(): bool
    {
        return str_starts_with($this->address, 'popup:');
    }

    public function document(): Document
    {
        return $this->document;
    }

    public function with(Document $document): self
    {
        return $this->changed(document: $document);
    }

    public function needs(): array
    {
        return [...$this->document->references(), ...$this->document->shared()];
    }

    public function references(): array
    {
        return [...$this->needs(), ...$this->document->pages()];
    }

    public function uploads(): array
    {
        return array_values(array_unique([...$this->document->pictures(), ...$this->document->videos(),
            ...array_filter([$this->settings->picture], is_string(...))]));
    }

    public function withIds(array $ids): self
    {
        return $this->changed(id: $ids[$this->id] ?? $this->id, document: $this->document->withIds($ids),
            settings: $this->settings->withIds($ids));
    }

    public function changesSince(Part $before): array
    {
        return $before instanceof self ? PageChanges::between($before, $this) : [];
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'role' => Written::choice(array_map(fn (PageRole $r): string => $r->value, PageRole::ofPages())), 'name' => Written::text(120),
            'address' => Written::text(60, 'empty for the entry page'),
            'document' => ['$ref' => Document::SCHEMA], 'settings' => PageSettings::schema(),
        ], ['role', 'name', 'address', 'document']);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'role' => $this->role->value, 'name' => $this->name, 'address' => $this->address,
            'document' => $this->document->toArray()]
            + ($this->settings->toArray() === [] ? [] : ['settings' => $this->settings->toArray()]);
    }

    /** @return list<Outcome> all outcomes that may lead somewhere, the main one first */
    public function outcomes(): array
    {
        $outcomes = $this->role->possibleOutcomes();
        // What can be bought on a page leads on from there, whatever its role.
        if (! in_array(Outcome::Bought, $outcomes, true) && $this->document->blocksOf(BlockKind::Checkout) !== []) {
            $outcomes = [Outcome::Bought, ...$outcomes];
        }

        // A form on a page means that people can join there, whatever its role.
        return in_array(Outcome::Joined, $outcomes, true) || $this->document->blocksOf(BlockKind::Form) === [] ? $outcomes
            : [Outcome::Joined, ...$outcomes];
    }
}
