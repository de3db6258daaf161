<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\HoldsDocument;
use Lantern\Core\Page\Section;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Rules\Group;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/**
 * Something that is shown over a page, or placed in one of another site: a dialog, a band, a slip or a form in an article. Its
 * document has one section a step: the question that comes first, where there is one; what it offers; and the words of thanks,
 * where those follow joining.
 */
final readonly class Popup implements HoldsDocument
{
    use PlainPart;
    use Rebuilt;

    public const MOST_TRIGGERS = 8;

    /**
     * @param  bool  $on  is it switched on? Only then is it published.
     * @param  bool  $asks  does a question come first, whose yes opens the rest and whose no closes it?
     * @param  list<PopupTrigger>  $triggers  any of which opens it; what is placed in a page needs none
     * @param  Group  $never  the people who never see it, beside those who have joined what it offers
     * @param  string  $tag  given to those who join in it; '' for none
     * @param  string  $leadMagnet  the id of the one file that follows joining in it; '' for those of the funnel
     */
    public function __construct(
        public string $id,
        public string $name,
        public Document $document,
        public bool $on = false,
        public bool $asks = false,
        public Frame $frame = new Frame,
        public array $triggers = [],
        public Targeting $targeting = new Targeting,
        public Spot $spot = new Spot,
        public Limits $limits = new Limits,
        public Group $never = new Group(true, []),
        public AfterJoining $after = new AfterJoining,
        public string $tag = '',
        public string $leadMagnet = '',
    ) {
    }

    public static function kind(): string
    {
        return 'popup';
    }

    public static function label(): string
    {
        return 'pop-up';
    }

    public static function most(): int
    {
        return 40;
    }

    /** @throws Invalid when it has no name, or not one section a step */
    public static function fromShape(Shape $shape): self
    {
        $name = trim($shape->text('name', 120));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'Please give the pop-up a name. Only you will see it.');
        }
        $document = Document::fromArray($shape->group('document')->all(), $shape->path('document'));
        $asks = $shape->flag('asks');
        $after = AfterJoining::fromShape($shape->optionalGroup('after'));
        if (count($document->sections) !== 1 + ($asks ? 1 : 0) + ($after->kind === 'thanks' ? 1 : 0)) {
            throw Invalid::at($shape->path('document'), 'A pop-up has one section for each of its steps.');
        }
        $never = $shape->optionalGroup('never');

        return new self($shape->text('id', 40), $name, $document, $shape->flag('on'), $asks,
            Frame::fromShape($shape->optionalGroup('frame')), self::triggersOf($shape),
            Targeting::fromShape($shape->optionalGroup('targeting')),
            Spot::fromShape($shape->optionalGroup('spot')), Limits::fromShape($shape->optionalGroup('limits')),
            $never === null ? Group::everybody() : Group::fromShape($never), $after, trim($shape->text('tag', 60, '')),
            $shape->text('leadMagnet', 40, ''));
    }

    /** @return list<PopupTrigger> what opens it, each once */
    public static function triggersOf(Shape $shape): array
    {
        $triggers = [];
        foreach ($shape->groups('triggers', self::MOST_TRIGGERS) as $group) {
            $trigger = PopupTrigger::fromShape($group);
            $triggers[$trigger->kind->value.$trigger->section] ??= $trigger;
        }

        return array_values($triggers);
    }

    /** Is it placed in a page, rather than shown over it? */
    public function isPlaced(): bool
    {
        return $this->frame->placement === Placement::Placed;
    }

    public function question(): ?Section
    {
        return $this->asks ? $this->document->sections[0] ?? null : null;
    }

    /** What it offers. */
    public function main(): ?Section
    {
        return $this->document->sections[$this->asks ? 1 : 0] ?? null;
    }

    public function thanks(): ?Section
    {
        return $this->after->kind === 'thanks' ? $this->document->sections[$this->asks ? 2 : 1] ?? null : null;
    }

    /** @return list<string> ids of the forms in it: what it offers */
    public function forms(): array
    {
        return array_values(array_unique(array_filter(array_map(fn (Block $b): string => $b->field('form'),
            $this->document->blocksOf(BlockKind::Form)), fn (string $f): bool => $f !== '')));
    }

    public function trigger(TriggerKind $kind): ?PopupTrigger
    {
        foreach ($this->triggers as $trigger) {
            if ($trigger->kind === $kind) {
                return $trigger;
            }
        }

        return null;
    }

    /** Could it ever be seen on a page of its funnel? */
    public function hasPage(string $page): bool
    {
        return $this->on && ! $this->isPlaced() && $this->targeting->hasPage($page);
    }

    public function document(): Document
    {
        return $this->document;
    }

    public function with(Document $document): self
    {
        return $this->changed(document: $document);
    }

    /** In another design: the same words and pictures, standing elsewhere. */
    public function framed(Frame $frame, Document $document): self
    {
        return $this->changed(frame: $frame, document: $document);
    }

    /** @param  list<PopupTrigger>  $triggers */
    public function openedBy(array $triggers): self
    {
        return $this->changed(triggers: $triggers);
    }

    public function switchedOn(bool $on = true): self
    {
        return $this->changed(on: $on);
    }

    public function needs(): array
    {
        return [...$this->document->references(), ...array_filter([$this->leadMagnet], fn (string $id): bool => $id !== '')];
    }

    public function references(): array
    {
        return array_values(array_unique([...$this->needs(), ...$this->document->pages(), ...$this->document->popups(),
            ...$this->targeting->ids,
            ...$this->after->references(), ...$this->never->references()]));
    }

    public function uploads(): array
    {
        return array_values(array_unique([...$this->document->pictures(), ...$this->document->videos()]));
    }

    public function withIds(array $ids): self
    {
        return $this->changed(id: $ids[$this->id] ?? $this->id, document: $this->document->withIds($ids),
            triggers: array_map(fn (PopupTrigger $t): PopupTrigger => $t->withIds($ids), $this->triggers),
            targeting: $this->targeting->withIds($ids), never: $this->never->withIds($ids), after: $this->after->withIds($ids),
            leadMagnet: $ids[$this->leadMagnet] ?? $this->leadMagnet);
    }

    public function changesSince(Part $before): array
    {
        if (! $before instanceof self) {
            return [];
        }
        if ($before->on !== $this->on) {
            return [($this->on ? 'Switched on pop-up' : 'Switched off pop-up').": “{$this->name}”."];
        }
        $differs = fn (string ...$keys): bool => array_filter($keys,
            fn (string $k): bool => ($before->toArray()[$k] ?? null) !== ($this->toArray()[$k] ?? null)) !== [];
        $what = array_keys(array_filter([
            'its name' => $differs('name'),
            'what it says' => $differs('document', 'asks'),
            'how it stands' => $differs('frame', 'spot'),
            'what opens it' => $differs('triggers'),
            'where it is shown' => $differs('targeting'),
            'how often it is shown' => $differs('limits'),
            'who never sees it' => $differs('never'),
            'what follows joining' => $differs('after', 'tag', 'leadMagnet'),
        ]));

        return $what === [] ? [] : ["Changed pop-up: “{$this->name}” (".implode(', ', $what).').'];
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'name' => Written::text(120, 'private', 1), 'on' => Written::flag('only then is it published'),
            'document' => ['$ref' => Document::SCHEMA, 'properties' => ['sections' => ['minItems' => 1, 'maxItems' => 3]]],
            'asks' => Written::flag('does a question come first? The document has one section a step: question, offer, thanks'),
            'frame' => Frame::schema(), 'triggers' => Written::listOf(PopupTrigger::schema(), self::MOST_TRIGGERS, 'any of which opens it'),
            'targeting' => Targeting::schema(), 'spot' => Spot::schema(), 'limits' => Limits::schema(), 'never' => Written::ref('group'),
            'after' => AfterJoining::schema(), 'tag' => Written::text(60), 'leadMagnet' => Written::id(),
        ], ['name', 'on', 'document'], 'shown over a page, or placed in one of another site');
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'on' => $this->on, 'document' => $this->document->toArray()]
            + ($this->asks ? ['asks' => true] : []) + ['frame' => $this->frame->toArray(),
                'triggers' => array_map(fn (PopupTrigger $t): array => $t->toArray(), $this->triggers)]
            + array_filter(['targeting' => $this->targeting->toArray(), 'spot' => $this->isPlaced() ? $this->spot->toArray() : []])
            + ['limits' => $this->limits->toArray()] + ($this->never->isEverybody() ? [] : ['never' => $this->never->toArray()])
            + ['after' => $this->after->toArray()] + array_filter(['tag' => $this->tag, 'leadMagnet' => $this->leadMagnet],
                fn (string $v): bool => $v !== '');
    }

    /** As one sentence: "Shown to whoever is about to leave, or has scrolled down 60 % of the page." */
    public function words(): string
    {
        if ($this->isPlaced()) {
            return "Stands {$this->spot->words()}.";
        }

        return $this->triggers === [] ? 'Nothing opens it yet.'
            : 'Shown to whoever '.implode(', or ', array_map(fn (PopupTrigger $t): string => $t->words(), $this->triggers)).'.';
    }
}
