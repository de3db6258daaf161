<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Page\Look\Look;
use Lantern\Core\Page\Look\LookChanges;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * A whole funnel as one value: pages in the order of the way, the outcomes that connect them, forms, emails and
 * what is given away. Its written form is `docs/formats/plan.schema.json`.
 */
final readonly class Plan
{
    public const FORMAT = 4;

    /**
     * @param  list<PagePlan>  $pages  the entry page first
     * @param  list<Way>  $ways
     * @param  list<FormPlan>  $forms
     * @param  list<EmailPlan>  $emails
     * @param  list<LeadMagnet>  $leadMagnets
     * @param  string|null  $logo  the id of a picture; likewise `icon`, which browsers show beside the title
     * @param  array<string, string>  $fields  the funnel's own merge fields by name: the programme, its price …
     * @param  list<string>  $parameters  names of address parameters that may be used as merge fields
     * @param  list<SequencePlan>  $sequences
     * @param  array<string, string>  $shared  names of the shared sections by id; their content stands in the pages
     */
    public function __construct(
        public string $id,
        public string $name,
        public Goal $goal,
        public string $address,
        public string $lookId,
        public LookChanges $changes,
        public Sender $sender,
        public array $pages,
        public array $ways,
        public array $forms,
        public array $emails,
        public array $leadMagnets,
        public ?string $logo = null,
        public ?string $icon = null,
        public array $fields = [],
        public array $parameters = [],
        public array $shared = [],
        public array $sequences = [],
    ) {
    }

    /** @throws Invalid when it is no plan, or one of a format this application does not know */
    public static function fromArray(mixed $data): self
    {
        $shape = Shape::of(Upgrades::apply(Shape::of($data)->all()));
        $look = $shape->group('look');

        return new self(
            $shape->text('id', 40),
            $shape->text('name', 120),
            $shape->choice('goal', Goal::class),
            $shape->text('address', 60),
            Looks::get($look->text('id', 40))->id,
            LookChanges::fromShape($look),
            Sender::fromShape($shape->group('sender')),
            array_map(PagePlan::fromShape(...), $shape->groups('pages')),
            array_map(Way::fromShape(...), $shape->groups('ways')),
            array_map(FormPlan::fromShape(...), $shape->groups('forms')),
            array_map(EmailPlan::fromShape(...), $shape->groups('emails')),
            array_map(LeadMagnet::fromShape(...), $shape->groups('leadMagnets')),
            $shape->optionalText('logo', 40),
            $shape->optionalText('icon', 40),
            MergeFields::ownFields($shape->optionalGroup('fields')),
            MergeFields::parameterNames($shape->texts('parameters', 20, 40)),
            self::sharedNames($shape->optionalGroup('shared')),
            array_map(SequencePlan::fromShape(...), $shape->groups('sequences', 40)),
        );

    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'format' => self::FORMAT,
            'id' => $this->id, 'name' => $this->name, 'goal' => $this->goal->value, 'address' => $this->address,
            'look' => ['id' => $this->lookId] + $this->changes->toArray(),
            'sender' => $this->sender->toArray(),
            'pages' => array_map(fn (PagePlan $p): array => $p->toArray(), $this->pages),
            'ways' => array_map(fn (Way $w): array => $w->toArray(), $this->ways),
            'forms' => array_map(fn (FormPlan $f): array => $f->toArray(), $this->forms),
            'emails' => array_map(fn (EmailPlan $e): array => $e->toArray(), $this->emails),
            'leadMagnets' => array_map(fn (LeadMagnet $l): array => $l->toArray(), $this->leadMagnets),
        ] + array_filter(['sequences' => array_map(fn (SequencePlan $q): array => $q->toArray(), $this->sequences), 'logo' => $this->logo, 'icon' => $this->icon, 'fields' => $this->fields, 'parameters' => $this->parameters, 'shared' => $this->shared],
            fn (string|array|null $v): bool => $v !== null && $v !== []);
    }

    /** @return array<string, string> */
    private static function sharedNames(?Shape $shape): array
    {
        $names = [];
        foreach (array_keys($shape?->all() ?? []) as $id) {
            $names[(string) $id] = $shape?->text((string) $id, 120) ?? '';
        }

        return $names;
    }

    public function look(): Look
    {
        return Looks::get($this->lookId)->with($this->changes);
    }

    /** The look of a page or of a section on it: its own if it has one, else the funnel's. */
    public function lookOf(?string $own): Look
    {
        return $own === null ? $this->look() : Looks::get($own);
    }

    /**
     * The same with other forms.
     *
     * @param  list<FormPlan>  $forms
     */
    public function withForms(array $forms): self
    {
        return $this->but(forms: $forms);
    }

    /** The same with another page in place of the one that has its id. */
    public function withPage(PagePlan $page): self
    {
        return $this->but(pages: array_map(fn (PagePlan $p): PagePlan => $p->id === $page->id ? $page : $p, $this->pages));
    }

    /**
     * @param  list<PagePlan>|null  $pages
     * @param  list<FormPlan>|null  $forms
     */
    private function but(?array $pages = null, ?array $forms = null): self
    {
        return new self($this->id, $this->name, $this->goal, $this->address, $this->lookId, $this->changes, $this->sender, $pages ?? $this->pages,
            $this->ways, $forms ?? $this->forms, $this->emails, $this->leadMagnets, $this->logo, $this->icon, $this->fields, $this->parameters,
            $this->shared, $this->sequences);
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

    /** The first page of a role, if there is one. */
    public function pageOf(PageRole $role): ?PagePlan
    {
        foreach ($this->pages as $page) {
            if ($page->role === $role) {
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

    public function sequence(string $id): ?SequencePlan
    {
        return self::find($this->sequences, $id);
    }

    /** @return list<EmailPlan> the emails of a sequence, in the order of their delays */
    public function emailsOf(string $sequence): array
    {
        return array_values(array_filter($this->emails, fn (EmailPlan $e): bool => $e->sequence === $sequence));
    }

    public function leadMagnet(string $id): ?LeadMagnet
    {
        return self::find($this->leadMagnets, $id);
    }

    /** What an owner calls a part of the funnel, by its id; '' for one that is not there. */
    public function nameOf(string $id): string
    {
        $part = $this->page($id) ?? $this->form($id) ?? $this->email($id) ?? $this->sequence($id);

        return $part->name ?? $this->leadMagnet($id)->title ?? '';
    }

    /** @return list<SequencePlan> those that an event starts */
    public function startedBy(Event $event): array
    {
        return array_values(array_filter($this->sequences, fn (SequencePlan $s): bool => $s->starts->heardBy($event) !== null));
    }

    /** @return list<string> keys of everything that parts of this funnel wait for, each once; see {@see \Lantern\Core\Events\Event::keys()} */
    public function listensTo(): array
    {
        return array_values(array_unique(array_merge([], ...array_map(fn (SequencePlan $s): array => [...$s->starts->keys(), ...$s->ends->keys()], $this->sequences))));
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
     * @template T of PagePlan|FormPlan|EmailPlan|LeadMagnet|SequencePlan
     *
     * @param  list<T>  $things
     * @return T|null
     */
    private static function find(array $things, string $id): PagePlan|FormPlan|EmailPlan|LeadMagnet|SequencePlan|null
    {
        foreach ($things as $thing) {
            if ($thing->id === $id) {
                return $thing;
            }
        }

        return null;
    }
}
