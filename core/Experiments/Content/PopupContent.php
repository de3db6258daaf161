<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments\Content;

use Lantern\Core\Page\Document;
use Lantern\Core\Parts\Part;
use Lantern\Core\Popups\Frame;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\PopupTrigger;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** Other words, another design or other triggers for a pop-up. Where it is shown, to whom and how often stays that of the pop-up. */
final readonly class PopupContent implements VariantContent
{
    use OfDocument;

    /** @param  list<PopupTrigger>  $triggers */
    public function __construct(private Document $document, public Frame $frame, public array $triggers)
    {
    }

    public static function ofPart(Part $part): ?self
    {
        return $part instanceof Popup ? new self($part->document, $part->frame, $part->triggers) : null;
    }

    public static function fromShape(Shape $shape): self
    {
        return new self(Document::fromArray($shape->group('document')->all(), $shape->path('document')),
            Frame::fromShape($shape->optionalGroup('frame')), Popup::triggersOf($shape));
    }

    public static function schema(): array
    {
        return ['document' => ['$ref' => Document::SCHEMA], 'frame' => Frame::schema(),
            'triggers' => Written::listOf(PopupTrigger::schema(), Popup::MOST_TRIGGERS)];
    }

    /** Where the pop-up has other steps by now, its own are shown: a variant that asks what nobody answers would keep its visitors. */
    public function on(Part $part, string $tested): Part
    {
        return $part instanceof Popup && $part->id === $tested && $this->fits($part) ? $this->as($part) : $part;
    }

    /** Has it a section for each step of the pop-up, and stands it where that stands? */
    public function fits(Popup $popup): bool
    {
        return count($this->document->sections) === count($popup->document->sections)
            && $this->as($popup)->isPlaced() === $popup->isPlaced();
    }

    /** The pop-up with what differs. */
    public function as(Popup $popup): Popup
    {
        return $popup->framed($this->frame, $this->document)->openedBy($this->triggers);
    }

    public static function shown(string $tested, array $parts): array
    {
        foreach ($parts as $part) {
            if ($part instanceof Popup && $part->id === $tested) {
                return (new self($part->document, $part->frame, $part->triggers))->toArray();
            }
        }

        return [];
    }

    public function withIds(array $ids): self
    {
        return new self($this->document->withIds($ids), $this->frame,
            array_map(fn (PopupTrigger $t): PopupTrigger => $t->withIds($ids), $this->triggers));
    }

    public function withDocument(Document $document): self
    {
        return new self($document, $this->frame, $this->triggers);
    }

    public function toArray(): array
    {
        return ['document' => $this->document->toArray(), 'frame' => $this->frame->toArray(),
            'triggers' => array_map(fn (PopupTrigger $t): array => $t->toArray(), $this->triggers)];
    }
}
