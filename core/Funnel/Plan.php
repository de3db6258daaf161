<?php

declare(strict_types=1);

namespace Lantern\Core\Funnel;

use Lantern\Core\Email\EmailPlan;
use Lantern\Core\Page\Colour;
use Lantern\Core\Page\Look;
use Lantern\Core\Page\Looks;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * A whole funnel as one value: pages in the order of the way, the outcomes that connect them, forms, emails and
 * what is given away. Its written form is `docs/formats/plan.schema.json`.
 */
final readonly class Plan
{
    public const FORMAT = 1;

    /**
     * @param  list<PagePlan>  $pages  the entry page first
     * @param  list<Way>  $ways
     * @param  list<FormPlan>  $forms
     * @param  list<EmailPlan>  $emails
     * @param  list<LeadMagnet>  $leadMagnets
     */
    public function __construct(
        public string $id,
        public string $name,
        public Goal $goal,
        public string $address,
        public string $lookId,
        public ?Colour $accent,
        public Sender $sender,
        public array $pages,
        public array $ways,
        public array $forms,
        public array $emails,
        public array $leadMagnets,
    ) {
    }

    /** @throws Invalid when it is no plan, or one of a format this application does not know */
    public static function fromArray(mixed $data): self
    {
        $shape = Shape::of($data);
        if ($shape->integer('format', 0, 1_000_000, 0) !== self::FORMAT) {
            throw Invalid::at('format', 'This funnel was written by another version of the application.');
        }
        $look = $shape->group('look');
        $accent = $look->optionalText('accent', 7);

        return new self(
            $shape->text('id', 40),
            $shape->text('name', 120),
            $shape->choice('goal', Goal::class),
            $shape->text('address', 60),
            Looks::get($look->text('id', 40))->id,
            $accent === null ? null : Colour::of($accent, $look->path('accent')),
            Sender::fromShape($shape->group('sender')),
            array_map(PagePlan::fromShape(...), $shape->groups('pages')),
            array_map(Way::fromShape(...), $shape->groups('ways')),
            array_map(FormPlan::fromShape(...), $shape->groups('forms')),
            array_map(EmailPlan::fromShape(...), $shape->groups('emails')),
            array_map(LeadMagnet::fromShape(...), $shape->groups('leadMagnets')),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'format' => self::FORMAT,
            'id' => $this->id, 'name' => $this->name, 'goal' => $this->goal->value, 'address' => $this->address,
            'look' => ['id' => $this->lookId] + ($this->accent === null ? [] : ['accent' => $this->accent->hex()]),
            'sender' => $this->sender->toArray(),
            'pages' => array_map(fn (PagePlan $p): array => $p->toArray(), $this->pages),
            'ways' => array_map(fn (Way $w): array => $w->toArray(), $this->ways),
            'forms' => array_map(fn (FormPlan $f): array => $f->toArray(), $this->forms),
            'emails' => array_map(fn (EmailPlan $e): array => $e->toArray(), $this->emails),
            'leadMagnets' => array_map(fn (LeadMagnet $l): array => $l->toArray(), $this->leadMagnets),
        ];
    }

    public function look(): Look
    {
        return Looks::get($this->lookId)->withAccent($this->accent);
    }

    public function entry(): ?PagePlan
    {
        return $this->pages[0] ?? null;
    }

    public function page(string $id): ?PagePlan
    {
        return self::find($this->pages, $id);
    }

    public function pageAt(string $address): ?PagePlan
    {
        foreach ($this->pages as $page) {
            if ($page->address === $address) {
                return $page;
            }
        }

        return null;
    }

    public function form(string $id): ?FormPlan
    {
        return self::find($this->forms, $id);
    }

    public function email(string $id): ?EmailPlan
    {
        return self::find($this->emails, $id);
    }

    public function leadMagnet(string $id): ?LeadMagnet
    {
        return self::find($this->leadMagnets, $id);
    }

    public function way(string $page, Outcome $outcome): ?Way
    {
        foreach ($this->ways as $way) {
            if ($way->page === $page && $way->outcome === $outcome) {
                return $way;
            }
        }

        return null;
    }

    /**
     * @template T of PagePlan|FormPlan|EmailPlan|LeadMagnet
     *
     * @param  list<T>  $things
     * @return T|null
     */
    private static function find(array $things, string $id): PagePlan|FormPlan|EmailPlan|LeadMagnet|null
    {
        foreach ($things as $thing) {
            if ($thing->id === $id) {
                return $thing;
            }
        }

        return null;
    }
}
