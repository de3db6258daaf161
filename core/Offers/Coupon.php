<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Money\Money;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/**
 * A coupon: so many percent, or an amount, off the offers it names. It has a code that everybody may use, or codes of
 * which each is used once; those are kept outside the plan.
 */
final readonly class Coupon implements Part
{
    use PlainPart;
    use Rebuilt;

    /**
     * @param  string  $code  as buyers type it, in capitals; '' where each buyer has one of their own
     * @param  int  $percent  1 to 100; 0 where an amount is taken off
     * @param  list<string>  $offers  ids of those it holds for; none means all
     * @param  int|null  $uses  how often in all; null for as often as wanted; likewise `usesPerPerson`
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $code,
        public int $percent,
        public ?Money $amount,
        public array $offers = [],
        public SaleWindow $window = new SaleWindow,
        public ?int $uses = null,
        public ?int $usesPerPerson = 1,
    ) {
    }

    public static function kind(): string
    {
        return 'coupon';
    }

    public static function label(): string
    {
        return 'coupon';
    }

    public static function most(): int
    {
        return 50;
    }

    public static function fromShape(Shape $shape): self
    {
        $name = trim($shape->text('name', 120));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'Please give the coupon a name. Only you will see it.');
        }
        $code = self::normal($shape->text('code', 40, ''));
        if ($code !== '' && preg_match('/^[A-Z0-9-]{3,40}$/D', $code) !== 1) {
            throw Invalid::at($shape->path('code'), 'A code has from 3 to 40 letters, digits and hyphens.');
        }
        $percent = $shape->integer('percent', 0, 100, 0);
        $amount = $shape->has('off') ? Money::fromShape($shape->group('off')) : null;
        if (($percent === 0) === ($amount === null)) {
            throw Invalid::at($shape->path('percent'), 'A coupon takes off so many percent or an amount, one of both.');
        }
        if ($amount !== null && ! $amount->isPositive()) {
            throw Invalid::at($shape->path('off.amount'), 'How much does it take off?');
        }
        $limit = fn (string $key, ?int $default): ?int => $shape->has($key) ? $shape->integer($key, 0, 1_000_000) : $default;

        return new self($shape->text('id', 40), $name, $code, $percent, $amount,
            array_values(array_unique($shape->texts('offers', 30, 40))),
            SaleWindow::fromShape($shape), $limit('uses', null) ?: null, $limit('usesPerPerson', 1) ?: null);
    }

    /** A code as it is compared: in capitals, without spaces; dashes of any length are hyphens. */
    public static function normal(string $typed): string
    {
        return mb_strtoupper((string) preg_replace(['/\s+/u', '/\p{Pd}/u'], ['', '-'], $typed));
    }

    public function references(): array
    {
        return $this->offers;
    }

    public function withIds(array $ids): self
    {
        return $this->changed(id: $ids[$this->id] ?? $this->id,
            offers: array_map(fn (string $o): string => $ids[$o] ?? $o, $this->offers));
    }

    public function holdsFor(string $offer): bool
    {
        return $this->offers === [] || in_array($offer, $this->offers, true);
    }

    /**
     * Why it does not hold now, for the buyer; null when it does.
     *
     * @param  list<string>  $offers  ids of what is being bought
     * @param  int  $used  how often it was used or is being used, in all; likewise `usedByPerson`
     */
    public function refusal(DateTimeImmutable $now, DateTimeZone $zone, array $offers, int $used, int $usedByPerson): ?Phrase
    {
        return match (true) {
            ! $this->window->hasBegun($now, $zone) => Phrase::of('coupon.not_yet'),
            $this->window->isOver($now, $zone) => Phrase::of('coupon.over'),
            array_filter($offers, $this->holdsFor(...)) === [] => Phrase::of('coupon.other'),
            $this->uses !== null && $used >= $this->uses => Phrase::of('coupon.used_up'),
            $this->usesPerPerson !== null && $usedByPerson >= $this->usesPerPerson => Phrase::of('coupon.used_by_you'),
            default => null,
        };
    }

    /** What it takes off, to a visitor. */
    public function phrase(): Phrase
    {
        return $this->amount === null ? Phrase::of('coupon.percent', ['percent' => $this->percent])
            : Phrase::of('coupon.amount', ['amount' => $this->amount]);
    }

    /** Such as "20 % off" or "15 € off", for its owner. */
    public function words(string $language = 'en'): string
    {
        return ($this->amount === null ? "{$this->percent} %" : $this->amount->words($language)).' off';
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'name' => Written::text(120, 'private', 1), 'code' => Written::text(40, '\'\' where each buyer has one of their own'),
            'percent' => Written::whole(1, 100), 'off' => Written::ref('money'), 'offers' => Written::listOf(Written::id(), 30),
            'uses' => Written::whole(1), 'usesPerPerson' => Written::whole(0, description: '0 for as often as wanted'),
        ] + SaleWindow::properties(), ['name', 'code']) + ['oneOf' => [['required' => ['percent']], ['required' => ['off']]]];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'code' => $this->code]
            + ($this->amount === null ? ['percent' => $this->percent] : ['off' => $this->amount->toArray()])
            + ($this->offers === [] ? [] : ['offers' => $this->offers]) + $this->window->toArray()
            + ($this->uses === null ? [] : ['uses' => $this->uses]) + ['usesPerPerson' => $this->usesPerPerson ?? 0];
    }
}
