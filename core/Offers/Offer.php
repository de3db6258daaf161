<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** How a product is sold. Its name is the owner's alone: buyers read the product's, whichever offer of it they take. */
final readonly class Offer implements Part
{
    use PlainPart;
    use Rebuilt;

    public const MOST_BUMPS = 3;

    /**
     * @param  string  $product  an id
     * @param  int|null  $places  how many are sold at most; null for as many as wanted
     * @param  bool  $oncePerPerson  may somebody who has bought it buy it again?
     * @param  list<OrderBump>  $bumps  what may be ticked beside it at the checkout
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $product,
        public Price $price,
        public ?int $places = null,
        public bool $oncePerPerson = true,
        public SaleWindow $window = new SaleWindow,
        public array $bumps = [],
    ) {
    }

    public static function kind(): string
    {
        return 'offer';
    }

    public static function label(): string
    {
        return 'offer';
    }

    public static function most(): int
    {
        return 30;
    }

    public static function fromShape(Shape $shape): self
    {
        $name = trim($shape->text('name', 120));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'Please give the offer a name. Only you will see it.');
        }
        $bumps = [];
        foreach ($shape->groups('bumps', self::MOST_BUMPS) as $group) {
            $bump = OrderBump::fromShape($group);
            if ($bump->offer === $shape->text('id', 40)) {
                throw Invalid::at($group->path('offer'), 'An offer cannot be a bump beside itself.');
            }
            $bumps[$bump->offer] ??= $bump;
        }

        return new self($shape->text('id', 40), $name, $shape->text('product', 40), Price::fromShape($shape->group('price')),
            $shape->has('places') ? $shape->integer('places', 0, 1_000_000) : null, $shape->flag('oncePerPerson', true),
            SaleWindow::fromShape($shape), array_values($bumps));
    }

    public function needs(): array
    {
        return [$this->product];
    }

    public function references(): array
    {
        return [$this->product, ...array_map(fn (OrderBump $b): string => $b->offer, $this->bumps)];
    }

    public function withIds(array $ids): self
    {
        return $this->changed(id: $ids[$this->id] ?? $this->id, product: $ids[$this->product] ?? $this->product,
            bumps: array_map(fn (OrderBump $b): OrderBump => $b->withIds($ids), $this->bumps));
    }

    /** The same at another price, for somebody who was promised that. */
    public function withPrice(Price $price): self
    {
        return $this->changed(price: $price);
    }

    /**
     * May it be bought now?
     *
     * @param  int  $taken  places that are sold, or held by somebody who is paying
     * @param  bool  $bought  has this person bought it before, and not got all of their money back?
     */
    public function availability(DateTimeImmutable $now, DateTimeZone $zone, int $taken, bool $bought): Availability
    {
        return match (true) {
            $bought && $this->oncePerPerson => Availability::AlreadyBought,
            ! $this->window->hasBegun($now, $zone) => Availability::NotYet,
            $this->window->isOver($now, $zone) => Availability::Over,
            $this->places !== null && $taken >= $this->places => Availability::SoldOut,
            default => Availability::OnSale,
        };
    }

    public function changesSince(Part $before): array
    {
        if (! $before instanceof self) {
            return [];
        }
        $sentences = [];
        if ($before->price->toArray() !== $this->price->toArray()) {
            $sentences[] = "“{$this->name}” costs {$this->price->words()}, and cost {$before->price->words()} before.";
        }
        $what = array_keys(array_filter([
            'its name' => $before->name !== $this->name,
            'what is sold' => $before->product !== $this->product,
            'how many there are' => $before->places !== $this->places,
            'whether it can be bought twice' => $before->oncePerPerson !== $this->oncePerPerson,
            'when it is sold' => $before->window->toArray() !== $this->window->toArray(),
            'its order bumps' => array_map(fn (OrderBump $b): array => $b->toArray(), $before->bumps)
                !== array_map(fn (OrderBump $b): array => $b->toArray(), $this->bumps),
        ]));

        return [...$sentences, ...($what === [] ? [] : ["Changed offer: “{$this->name}” (".implode(', ', $what).').'])];
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'name' => Written::text(120, 'private', 1), 'product' => Written::id(), 'price' => Price::schema(),
            'places' => Written::whole(0, 1_000_000, 'how many may buy it'), 'oncePerPerson' => Written::flag(),
            'bumps' => Written::listOf(OrderBump::schema(), self::MOST_BUMPS),
        ] + SaleWindow::properties(), ['name', 'product', 'price']);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'product' => $this->product, 'price' => $this->price->toArray()]
            + ($this->places === null ? [] : ['places' => $this->places]) + ($this->oncePerPerson ? [] : ['oncePerPerson' => false])
            + $this->window->toArray()
            + ($this->bumps === [] ? [] : ['bumps' => array_map(fn (OrderBump $b): array => $b->toArray(), $this->bumps)]);
    }
}
