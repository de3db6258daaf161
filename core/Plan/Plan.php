<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\Guards;
use Lantern\Core\Deadlines\Place;
use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Events\Event;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Experiments\Content\VariantContent;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Experiments\Variant;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Languages\Voice;
use Lantern\Core\Money\Currency;
use Lantern\Core\Offers\Coupon;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\Product;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\HoldsDocument;
use Lantern\Core\Page\Look\Look;
use Lantern\Core\Page\Look\LookChanges;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Parts\Part;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Promises\Promise;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\Webinar;

/**
 * A whole funnel as one value: its parts, and the outcomes that connect its pages. A page shows shared sections with
 * their content. Its written form is `docs/formats/plan.schema.json`.
 */
final readonly class Plan
{
    public const FORMAT = 7;

    /** @var list<Part> in the order of their kinds, and of each kind in its own order: pages in the order of the way */
    public array $parts;

    /** @var list<PagePlan> the entry page first */
    public array $pages;

    /** @var list<FormPlan> */
    public array $forms;

    /** @var list<SequencePlan> */
    public array $sequences;

    /** @var list<EmailPlan> */
    public array $emails;

    /** @var list<LeadMagnet> */
    public array $leadMagnets;

    /** @var list<Product> */
    public array $products;

    /** @var list<Offer> */
    public array $offers;

    /** @var list<Coupon> */
    public array $coupons;

    /** @var list<Deadline> */
    public array $deadlines;

    /** @var list<Popup> */
    public array $popups;

    /** @var list<Webinar> */
    public array $webinars;

    /** @var list<SplitTest> */
    public array $splitTests;

    /** @var list<Variant> */
    public array $variants;

    /** @var list<Guide> */
    public array $guides;

    /** @var list<GuidePage> of all its guides, also those that are hidden */
    public array $guidePages;

    /** @var list<AutomationRule> */
    public array $rules;

    /**
     * @param  iterable<Part>  $parts
     * @param  list<Way>  $ways
     * @param  string|null  $logo  the id of a picture; likewise `icon`, which browsers show beside the title
     * @param  array<string, string>  $fields  the funnel's own merge fields by name: the programme, its price …
     * @param  list<string>  $parameters  names of address parameters that may be used as merge fields
     * @param  string  $currency  in which its offers are sold, by ISO 4217
     * @param  string  $language  in which its visitors are spoken to: a tag as {@see Language} reads it
     * @param  OwnPhrases|null  $own  what the application says in other words in this funnel
     */
    public function __construct(
        public string $id,
        public string $name,
        public Goal $goal,
        public string $address,
        public string $lookId,
        public LookChanges $changes,
        public Sender $sender,
        iterable $parts,
        public array $ways,
        public ?string $logo = null,
        public ?string $icon = null,
        public array $fields = [],
        public array $parameters = [],
        public string $currency = 'EUR',
        public OpeningTimes $times = new OpeningTimes,
        public string $language = 'en',
        public ?OwnPhrases $own = null,
    ) {
        $given = [];
        foreach ($parts as $part) {
            $given[] = $part;
        }
        $this->parts = array_merge([], ...array_map(fn (string $class): array => self::those($given, $class), PartKinds::ALL));
        $this->pages = self::those($given, PagePlan::class);
        $this->forms = self::those($given, FormPlan::class);
        $this->sequences = self::those($given, SequencePlan::class);
        $this->emails = self::those($given, EmailPlan::class);
        $this->leadMagnets = self::those($given, LeadMagnet::class);
        $this->products = self::those($given, Product::class);
        $this->offers = self::those($given, Offer::class);
        $this->coupons = self::those($given, Coupon::class);
        $this->deadlines = self::those($given, Deadline::class);
        $this->popups = self::those($given, Popup::class);
        $this->webinars = self::those($given, Webinar::class);
        $this->splitTests = self::those($given, SplitTest::class);
        $this->variants = self::those($given, Variant::class);
        $this->guides = self::those($given, Guide::class);
        $this->guidePages = self::those($given, GuidePage::class);
        $this->rules = self::those($given, AutomationRule::class);
    }

    /** A funnel without anything in it: what happens to somebody in no funnel at all. */
    public static function none(): self
    {
        return new self('', '', Goal::Own, '', Looks::DEFAULT, new LookChanges, new Sender('', '', '', '', ''), [], []);
    }

    /** @throws Invalid when it is no plan, or one of a format this application does not know */
    public static function fromArray(mixed $data): self
    {
        $shape = Shape::of(Upgrades::apply(Shape::of($data)->all()));
        $look = $shape->group('look');

        return new self(
            id: $shape->text('id', 40),
            name: $shape->text('name', 120),
            goal: $shape->choice('goal', Goal::class),
            address: $shape->text('address', 60),
            lookId: Looks::get($look->text('id', 40))->id,
            changes: LookChanges::fromShape($look),
            sender: Sender::fromShape($shape->group('sender')),
            parts: array_map(PartKinds::read(...), $shape->groups('parts', 600)),
            ways: array_map(Way::fromShape(...), $shape->groups('ways')),
            logo: $shape->optionalText('logo', 40),
            icon: $shape->optionalText('icon', 40),
            fields: MergeFields::ownFields($shape->optionalGroup('fields')),
            parameters: MergeFields::parameterNames($shape->texts('parameters', 20, 40)),
            currency: Currency::of($shape->text('currency', 3, 'EUR'), $shape->path('currency'))->code,
            times: OpeningTimes::fromShape($shape->optionalGroup('times')),
            language: PageSettings::language($shape, 'en'),
            own: OwnPhrases::of($shape->optionalGroup('phrases')?->all()),
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
            'parts' => array_map(PartKinds::write(...), $this->parts),
            'ways' => array_map(fn (Way $w): array => $w->toArray(), $this->ways),
        ] + array_filter(['logo' => $this->logo, 'icon' => $this->icon, 'fields' => $this->fields, 'parameters' => $this->parameters,
            // A funnel that sells nothing has no use for a currency.
            'currency' => $this->offers === [] ? null : $this->currency, 'times' => $this->times->toArray(),
            'language' => $this->language === 'en' ? null : $this->language, 'phrases' => $this->phrases()->toArray()],
            fn (string|array|null $v): bool => $v !== null && $v !== []);
    }

    /**
     * @template T of Part
     *
     * @param  list<Part>  $parts
     * @param  class-string<T>  $class
     * @return list<T>
     */
    private static function those(array $parts, string $class): array
    {
        return array_values(array_filter($parts, fn (Part $p): bool => $p instanceof $class));
    }

    /**
     * The parts of one kind, in order.
     *
     * @template T of Part
     *
     * @param  class-string<T>  $class
     * @return list<T>
     */
    public function partsOf(string $class): array
    {
        return self::those($this->parts, $class);
    }

    public function part(string $id): ?Part
    {
        foreach ($this->parts as $part) {
            if ($part->id() === $id) {
                return $part;
            }
        }

        return null;
    }

    /** The same with another part in place of the one that has its id. */
    public function withPart(Part $part): self
    {
        return $this->with(array_map(fn (Part $p): Part => $p->id() === $part->id() ? $part : $p, $this->parts));
    }

    /**
     * The same without shared sections that no page shows, and without promises: what visitors can ever meet.
     */
    public function withoutUnused(): self
    {
        $shown = array_merge([], ...array_map(fn (HoldsDocument|Variant $p): array => $p instanceof HoldsDocument
            ? $p->document()->shared()
            : $p->content->document()?->shared() ?? [], [...$this->pages, ...$this->guidePages, ...$this->variants]));

        return $this->with(array_filter($this->parts,
            fn (Part $p): bool => ! $p instanceof Promise && (! $p instanceof SharedSection || in_array($p->id, $shown, true))));
    }

    /**
     * The same with other parts.
     *
     * @param  iterable<Part>  $parts
     * @param  list<Way>|null  $ways
     */
    public function with(iterable $parts, ?array $ways = null, ?string $id = null, ?string $name = null, ?string $address = null,
        ?Sender $sender = null,
        ?string $logo = null, ?string $icon = null): self
    {
        return new self(
            id: $id ?? $this->id, name: $name ?? $this->name, goal: $this->goal, address: $address ?? $this->address, lookId: $this->lookId,
            changes: $this->changes, sender: $sender ?? $this->sender, parts: $parts, ways: $ways ?? $this->ways,
            logo: $logo ?? $this->logo,
            icon: $icon ?? $this->icon, fields: $this->fields, parameters: $this->parameters, currency: $this->currency,
            times: $this->times, language: $this->language, own: $this->own,
        );
    }

    /** @return list<string> ids of all pictures, videos and files that the funnel uses, each once */
    public function uploads(): array
    {
        $ids = array_merge([], ...array_map(fn (Part $p): array => $p->uploads(), $this->parts));

        return array_values(array_unique(array_filter([$this->logo, $this->icon, ...$ids], is_string(...))));
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

    public function entry(): ?PagePlan
    {
        return $this->pages[0] ?? null;
    }

    /** A page; of a guide, all its pages as the one that visitors come to. */
    public function page(string $id): ?PagePlan
    {
        $guide = self::find($this->guides, $id);

        return $guide === null ? self::find($this->pages, $id) : PagePlan::ofGuide($guide, $this->pagesOf($guide->id));
    }

    /** A guide at an address below the funnel's, as the one page that visitors come to. */
    public function guideAt(string $address): ?PagePlan
    {
        foreach ($this->guides as $guide) {
            if ($guide->address === $address) {
                return $this->page($guide->id);
            }
        }

        return null;
    }

    public function guide(string $id): ?Guide
    {
        return self::find($this->guides, $id);
    }

    /** @return list<GuidePage> of a guide, in order, without those that are hidden */
    public function pagesOf(string $guide): array
    {
        return array_values(array_filter($this->guidePages, fn (GuidePage $p): bool => $p->guide === $guide && ! $p->hidden));
    }

    /** The lead magnet that gives a guide. */
    public function leadMagnetOf(string $guide): ?LeadMagnet
    {
        foreach ($this->leadMagnets as $leadMagnet) {
            if ($leadMagnet->guide === $guide) {
                return $leadMagnet;
            }
        }

        return null;
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

    /** The split test of a part that has been started. */
    public function testOf(string $part): ?SplitTest
    {
        foreach ($this->splitTests as $test) {
            if ($test->part === $part && $test->on) {
                return $test;
            }
        }

        return null;
    }

    /** @return list<Variant> beside what was there before, in the order of their letters */
    public function variantsOf(string $test): array
    {
        $variants = array_values(array_filter($this->variants, fn (Variant $v): bool => $v->test === $test));
        usort($variants, fn (Variant $a, Variant $b): int => $a->letter <=> $b->letter);

        return $variants;
    }

    /** @return array<string, int> of a split test: by letter, what was there before first */
    public function weightsOf(SplitTest $test): array
    {
        $variants = $this->variantsOf($test->id);

        return [SplitTest::ORIGINAL => $test->weight] + array_combine(array_map(fn (Variant $v): string => $v->letter, $variants),
            array_map(fn (Variant $v): int => $v->weight, $variants));
    }

    /** The plan as it is for whoever got a variant of one of its parts; as it is for all where there is no such variant. */
    public function as(string $part, string $letter): self
    {
        $test = $letter === SplitTest::ORIGINAL || $letter === '' ? null : $this->testOf($part);
        foreach ($test === null ? [] : $this->variantsOf($test->id) as $variant) {
            if ($variant->letter === $letter) {
                return $this->withContent($variant->content, $part);
            }
        }

        return $this;
    }

    /** The same with what a variant of one of its parts has. */
    public function withContent(VariantContent $content, string $part): self
    {
        return $this->with(array_map(fn (Part $p): Part => $content->on($p, $part), $this->parts));
    }

    /** A copy of what a split test is of, as it is; null where that is gone. */
    public function contentOf(SplitTest $test): ?VariantContent
    {
        $part = $this->part($test->part);

        return $part === null ? null : $test->of->content()::ofPart($part);
    }

    /** @return array<array-key, mixed> what whoever got a variant gets, as far as the variants of a test change it */
    public function shownAs(SplitTest $test, string $letter): array
    {
        return $test->of->content()::shown($test->part, $this->as($test->part, $letter)->parts);
    }

    /** A page as those see it who got one of its variants. */
    public function pageAs(string $id, string $letter): ?PagePlan
    {
        return $this->as($id, $letter)->page($id);
    }

    /**
     * What is public once some of its split tests have ended: everybody has what they ended with, and the tests are gone.
     *
     * @param  array<string, string>  $winners  letters by the id of the test
     */
    public function settled(array $winners): self
    {
        $plan = $this;
        foreach ($this->splitTests as $test) {
            if (isset($winners[$test->id])) {
                $plan = $plan->as($test->part, $winners[$test->id])->withoutTests([$test->id]);
            }
        }

        return $plan;
    }

    /**
     * The same without some of its split tests and their variants.
     *
     * @param  list<string>  $tests  ids
     */
    public function withoutTests(array $tests): self
    {
        return $this->with(array_filter($this->parts, fn (Part $p): bool => ! in_array($p->id(), $tests, true)
            && ! ($p instanceof Variant && in_array($p->test, $tests, true))));
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

    public function product(string $id): ?Product
    {
        return self::find($this->products, $id);
    }

    public function offer(string $id): ?Offer
    {
        return self::find($this->offers, $id);
    }

    public function deadline(string $id): ?Deadline
    {
        return self::find($this->deadlines, $id);
    }

    public function popup(string $id): ?Popup
    {
        return self::find($this->popups, $id);
    }

    public function webinar(string $id): ?Webinar
    {
        return self::find($this->webinars, $id);
    }

    /** The decision about what its deadlines guard. */
    public function guards(): Guards
    {
        $after = [];
        foreach ($this->ways as $way) {
            if ($way->outcome === Outcome::TimeRanOut) {
                $after[$way->page] = $way->toPage === null ? Place::url((string) $way->toUrl) : Place::page($way->toPage);
            }
        }

        return new Guards($this->deadlines, $after);
    }

    /** @return array<string, string> id of the first part of each kind: what a new block shows until another is chosen */
    public function firstParts(): array
    {
        $first = [];
        foreach ($this->parts as $part) {
            $first[$part::kind()] ??= $part->id();
        }

        return $first;
    }

    /** The offer that can be bought on a page: of its checkout, or of the price card of an extra offer. */
    public function offerOn(PagePlan $page): ?Offer
    {
        $kind = $page->role->isExtraOffer() ? BlockKind::Price : BlockKind::Checkout;
        foreach ($page->document->blocksOf($kind) as $block) {
            $offer = $this->offer($block->field('offer'));
            if ($offer !== null) {
                return $offer;
            }
        }

        return null;
    }

    public function phrases(): OwnPhrases
    {
        return $this->own ?? OwnPhrases::none();
    }

    /** The language in which visitors of a page are spoken to: its own, or else the funnel's. */
    public function languageOf(PagePlan $page): string
    {
        return $page->settings->language === '' ? $this->language : $page->settings->language;
    }

    /** @return array<string, string> merge fields that name the prices of its offers, in the language of the voice */
    public function prices(Voice $voice): array
    {
        return array_combine($this->priceFields(), array_map(fn (Offer $o): string => $voice->say($o->price->phrase()), $this->offers));
    }

    /** @return list<string> the names of these merge fields */
    public function priceFields(): array
    {
        return array_map(fn (Offer $o): string => "price_{$o->id}", $this->offers);
    }

    /** What an owner calls a part of the funnel, by its id; '' for one that is not there. */
    public function nameOf(string $id): string
    {
        return $this->part($id)?->name() ?? '';
    }

    /** @return list<Promise> */
    public function promises(): array
    {
        return $this->partsOf(Promise::class);
    }

    /** @return list<SharedSection> */
    public function sharedSections(): array
    {
        return $this->partsOf(SharedSection::class);
    }

    /** @return list<SequencePlan> those that an event starts */
    public function startedBy(Event $event): array
    {
        return array_values(array_filter($this->sequences, fn (SequencePlan $s): bool => $s->starts->heardBy($event) !== null));
    }

    /**
     * @return list<string> keys of everything that parts of this funnel wait for, each once; see {@see \Lantern\Core\Events\Event::keys()}
     */
    public function listensTo(): array
    {
        return array_values(array_unique(array_merge([],
            ...array_map(fn (SequencePlan $s): array => [...$s->starts->keys(), ...$s->ends->keys()], $this->sequences),
            ...array_map(fn (Deadline $d): array => $d->starts->keys(), $this->deadlines),
            ...array_map(fn (AutomationRule $r): array => $r->when->keys(), $this->rules))));
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
     * @template T of Part
     *
     * @param  list<T>  $parts
     * @return T|null
     */
    private static function find(array $parts, string $id): ?Part
    {
        foreach ($parts as $part) {
            if ($part->id() === $id) {
                return $part;
            }
        }

        return null;
    }
}
