<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Drafts\DraftPages;
use App\Drafts\DraftRows;
use App\Drafts\NewFunnel;
use App\Files\Uploads;
use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Order;
use App\Models\Person;
use App\Models\User;
use App\Orders\Attempt;
use App\Orders\ExtraOffers;
use App\Orders\NotForSale;
use App\Orders\Payments;
use App\Orders\PlaceOrder;
use App\Orders\Receipts;
use App\Orders\Reconciling;
use App\Orders\Refunding;
use App\Payments\Practice\Behaviour;
use App\Payments\Practice\PracticeBank;
use App\People\Proof\Proven;
use App\Publishing\Publishing;
use App\Support\DemoProgress;
use App\Support\Ids;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Offers\Coupon;
use Lantern\Core\Offers\LineKind;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\Product;
use Lantern\Core\Offers\Quote;
use Lantern\Core\Offers\Wanted;
use Lantern\Core\People\EmailAddress;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use RuntimeException;

/** The sales of the demo: First Season at two prices and in payments, its extra offers, and three months of people who buy. */
final class DemoSales
{
    private const DAYS = 84;

    private Funnel $funnel;

    /** @var list<array{CarbonImmutable, Person, string, string}> who will buy, when, in which browser and which offer */
    private array $deciding = [];

    private DemoCrowd $crowd;

    public function __construct(
        private readonly NewFunnel $new,
        private readonly DraftPages $pages,
        private readonly Uploads $uploads,
        private readonly Publishing $publishing,
        private readonly PlaceOrder $place,
        private readonly Payments $payments,
        private readonly ExtraOffers $extra,
        private readonly Reconciling $reconciling,
        private readonly Receipts $receipts,
        private readonly Refunding $refunding,
        private readonly PracticeBank $bank,
        private readonly Events $events,
        private readonly DemoOffer $offer,
        private readonly DemoProgress $progress,
    ) {
    }

    public function sell(Business $business, DemoCrowd $crowd, CarbonImmutable $now, string $portrait): void
    {
        $this->crowd = $crowd;
        $from = $now->subDays(self::DAYS);
        CarbonImmutable::setTestNow($from->subDay());
        $business->forceFill(['tax_rate' => 1900, 'tax_name' => 'VAT', 'tax_number' => 'XX 123 456'])->save();
        $this->funnel = $this->funnel($business, $portrait);
        $this->publishing->publish($this->funnel, User::query()->first(), 'Open for the first season');
        $this->funnel->refresh()->load(['liveVersion', 'business']);
        $this->offer->to(intdiv(85, max(1, (int) config('lantern.demo_part'))));
        for ($day = 0; $day < self::DAYS; $day++) {
            $this->progress->at($this->funnel->name, $day, self::DAYS);
            $this->day($from->addDays($day), $now);
        }
        CarbonImmutable::setTestNow($now);
        $this->refunds($now);
    }

    private function funnel(Business $business, string $portrait): Funnel
    {
        $funnel = $this->new->fromStarter($business, Goal::Sell, 'First Season, sales', 'First Season', null, self::euros(290));
        $funnel->forceFill(['look' => 'linen', 'address' => 'first-season', 'fields' => ['programme' => 'First Season']])->save();
        $workbook = $this->uploads->file($business, new UploadedFile(database_path('demo/media/practice-plan.pdf'),
            'first-season-workbook.pdf', null, null, true));
        $warmUps = $this->uploads->file($business, new UploadedFile(database_path('demo/media/practice-plan.pdf'),
            'recorded-warm-ups.pdf', null, null, true));
        $file = fn ($u): array => ['id' => $u->id, 'name' => $u->name, 'mime' => $u->mime, 'bytes' => $u->bytes];
        [$main, $extra, $smaller] = DraftPart::there($funnel->id, Product::kind())->get()->all();
        $main->change(['line' => 'Twelve weeks, from open strings to your first melody.', 'files' => [$file($workbook)]])->save();
        $extra->change(['name' => 'Tune-Up Clinic', 'line' => 'One hour with Imke: your bow, your chair, your four bars.',
            'tags' => ['Bought Tune-Up Clinic']])->save();
        $smaller->change(['name' => 'Recorded Warm-Ups', 'line' => 'Twelve warm-ups to play along with.',
            'tags' => ['Bought Recorded Warm-Ups'], 'files' => [$file($warmUps)]])->save();
        [$regular, $clinic, $recordings, $introductory] = DraftPart::there($funnel->id, Offer::kind())->get()->all();
        $price = fn (int $euros): array => ['kind' => 'once', 'amount' => $euros * 100, 'currency' => 'EUR'];
        $clinic->change(['name' => 'Tune-Up Clinic', 'price' => $price(60)])->save();
        $recordings->change(['name' => 'Recorded Warm-Ups', 'price' => $price(25)])->save();
        $bump = [['offer' => $recordings->id, 'text' => 'Yes, add the Recorded Warm-Ups.']];
        $regular->change(['name' => 'First Season, regular', 'bumps' => $bump])->save();
        $offer = fn (string $name,
            array $of): Offer => Offer::fromShape(\Lantern\Core\Support\Shape::of(['id' => Ids::next(), 'name' => $name,
                'product' => $main->id, 'price' => $of, 'bumps' => $bump]));
        $introductory->change(['name' => 'First Season, introductory', 'price' => $price(190), 'bumps' => $bump])->save();
        $threePayments = $offer('First Season, three payments',
            ['kind' => 'payments', 'amount' => 9900, 'currency' => 'EUR', 'payments' => 3,
                'every' => 'month']);
        DraftRows::add($funnel, $threePayments);
        DraftRows::add($funnel, new Coupon(Ids::next(), 'Concert leaflet', 'CELLO10', 10, null, [$regular->id, $introductory->id]));
        DraftRows::add($funnel, new Coupon(Ids::next(), 'Former pupils', '', 0, self::euros(40), [$regular->id]));
        $this->checkout($funnel->refresh(), $threePayments);
        $this->words($funnel, $portrait);
        $this->offer->write($funnel->refresh());

        return $funnel->refresh();
    }

    /** Beside the checkout at the regular price one for three payments, which leads on in the same way. */
    private function checkout(Funnel $funnel, Offer $threePayments): void
    {
        $first = $this->page($funnel, PageRole::Checkout);
        $upsell = $this->page($funnel, PageRole::Upsell)->id;
        [$row] = $this->pages->duplicate($first->refresh()->load('funnel'));
        $document = json_decode((string) preg_replace('/"offer":"[^"]*"/', '"offer":"'.$threePayments->id.'"',
            (string) json_encode($row->definition['document'])), true);
        $row->change(['name' => 'Checkout, three payments', 'address' => 'order-in-three', 'document' => $document])->save();
        DB::table('ways')->where('page_id', $row->id)->delete();
        DB::table('ways')->insert(['funnel_id' => $funnel->id, 'page_id' => $row->id, 'outcome' => 'bought', 'to_page' => $upsell]);
        DB::table('ways')->where('page_id', $first->id)->where('outcome', 'bought')->update(['to_page' => $upsell]);
    }

    private function words(Funnel $funnel, string $portrait): void
    {
        $say = ['A private hour' => 'Tune-Up Clinic', 'The recordings' => 'Recorded Warm-Ups', 'the recordings' => 'the Recorded Warm-Ups',
            'Would you like me to look at yours?' => 'Shall we look at your playing together?',
            'The Recorded Warm-Ups, to keep' => 'Recorded Warm-Ups, to keep'];
        foreach (DraftPart::there($funnel->id, PagePlan::kind())->get() as $page) {
            $document = $page->definition['document'];
            array_walk_recursive($document, function (mixed &$value) use ($say): void {
                $value = is_string($value) ? strtr($value, $say) : $value;
            });
            foreach ($document['sections'] as $s => $section) {
                foreach ($section['blocks'] as $b => $block) {
                    if ($block['kind'] === 'picture') {
                        $document['sections'][$s]['blocks'][$b] = ['picture' => $portrait,
                            'alt' => 'A cello beside a music stand in a room with a window'] + $block;
                    }
                }
            }
            $page->change(['document' => $document])->save();
        }
    }

    private function day(CarbonImmutable $day, CarbonImmutable $now): void
    {
        $part = max(1, (int) config('lantern.demo_part'));
        $visits = intdiv($this->crowd->between(4, 10), $part);
        $minutes = array_map(fn (): int => $this->crowd->between(0, 780), range(0, $visits));
        sort($minutes);
        foreach ($minutes as $minute) {
            $at = $day->setTime(8, 0)->addMinutes($minute);
            if ($at->addMinutes(6) >= $now) {
                continue;
            }
            $visitor = $this->crowd->visitorId();
            $source = $this->crowd->source();
            $sales = $this->plan()->pageOf(PageRole::Sales);
            $this->view($sales, $visitor, $source, $at);
            if ($sales !== null && hexdec($visitor[6]) < 8) {
                $this->events->take(new NewEvent(EventType::Read, $this->funnel->business, $at->addMinute(), $this->funnel,
                    $this->funnel->liveVersion, $sales->id, visitor: $visitor, part: DemoResults::read($sales, $visitor)));
            }
            if ($this->crowd->chance(0.27)) {
                $dice = $this->crowd->between(1, 10);
                $offer = $this->named('First Season, '.($dice <= 6 ? 'regular' : 'three payments'));
                $page = $this->checkoutOf($offer);
                $button = $sales === null ? null : DemoResults::button($sales, $visitor);
                if ($button !== null) {
                    $this->events->take(new NewEvent(EventType::Pressed, $this->funnel->business, $at->addSeconds(110), $this->funnel,
                        $this->funnel->liveVersion, $sales?->id, visitor: $visitor, part: $button));
                }
                $this->view($page, $visitor, $source, $at->addMinutes(2));
                // More leave at the checkout than need to.
                if ($this->crowd->chance(0.34)) {
                    $this->purchase($offer, $page, $visitor, $source, $at->addMinutes(4));
                }
            }
        }
        $this->introductory($day, $now, $part);
        $evening = $day->setTime(22, 30) < $now ? $day->setTime(22, 30) : $now;
        $this->offer->send($evening);
        $this->reconciling->run(0);
        $this->receipts->issueDue();
    }

    /** In the last weeks those with the practice plan are offered the introductory price; some take it, some come too late. */
    private function introductory(CarbonImmutable $day, CarbonImmutable $now, int $part): void
    {
        if ($day < $now->subDays(30)) {
            return;
        }
        foreach ($this->offer->day($this->funnel, $day, max(1, intdiv(5, $part)), $this->crowd, $now) as [$person, $at]) {
            $visitor = $this->crowd->visitorId();
            $this->view($this->plan()->pageAt('introductory'), $visitor, 'email', $at->subMinute(), $person);
            $dice = $this->crowd->between(1, 100);
            // Some at once, some when they are told that a day or three hours are left, some when it is over.
            $hours = match (true) {
                $dice <= 10 => 0,
                $dice <= 15 => $this->crowd->between(20, 40),
                $dice <= 27 => $this->crowd->between(52, 57),
                $dice <= 30 => $this->crowd->between(110, 160),
                default => null,
            };
            if ($hours !== null) {
                $this->deciding[] = [$at->addHours($hours), $person, $visitor, $hours > 100 ? 'regular' : 'introductory'];
            }
        }
        usort($this->deciding, fn (array $a, array $b): int => $a[0] <=> $b[0]);
        while ($this->deciding !== [] && $this->deciding[0][0] < min($now, $day->endOfDay())) {
            [$at, $person, $visitor, $which] = array_shift($this->deciding);
            $offer = $this->named("First Season, {$which}");
            try {
                $this->view($this->checkoutOf($offer), $visitor, 'email', $at, $person);
                $this->purchase($offer, $this->checkoutOf($offer), $visitor, 'email', $at, $person);
            } catch (NotForSale) {
                // They came too late for it after all.
            }
        }
    }

    /** @param  Person|null  $reader  who came by a link in an email */
    private function view(?PagePlan $page, string $visitor, ?string $source, CarbonImmutable $at, ?Person $reader = null): void
    {
        CarbonImmutable::setTestNow($at);
        $this->events->take(new NewEvent(EventType::Viewed, $this->funnel->business, $at, $this->funnel, $this->funnel->liveVersion,
            $page?->id, personId: $reader?->id, visitor: $visitor, source: $source, device: DemoResults::device($visitor)));
    }

    private function purchase(Offer $offer, PagePlan $page, string $visitor, ?string $source, CarbonImmutable $at,
        ?Person $person = null): void
    {
        CarbonImmutable::setTestNow($at);
        $plan = $this->plan();
        $somebody = $person === null ? $this->crowd->somebody() : ['email' => $person->email, 'first_name' => $person->first_name];
        $wanted = [Wanted::of(LineKind::Main, $offer, $this->product($offer))];
        if ($this->crowd->chance(0.35)) {
            $recordings = $this->named('Recorded Warm-Ups');
            $wanted[] = Wanted::of(LineKind::Bump, $recordings, $this->product($recordings));
        }
        $coupon = $offer->price->payments === 1 && $this->crowd->chance(0.2) ? $plan->coupons[0] : null;
        $card = match (true) {
            $offer->price->payments > 1 && $this->crowd->chance(0.2) => Behaviour::RefusesLater,
            $this->crowd->chance(0.06) => Behaviour::Declines,
            default => Behaviour::Approves,
        };
        $order = $this->place->place(new Attempt($this->funnel, $this->funnel->liveVersion ?? throw new RuntimeException, $page,
            Quote::of($wanted, TaxRate::of(1900), $coupon), EmailAddress::of($somebody['email']),
            $somebody['first_name'] === '' ? '' : ucwords(str_replace('.', ' ', (string) strstr($somebody['email'], '@', true))),
            md5($visitor),
            $at, $this->bank->keepCard($card), $coupon, $coupon->code ?? '', null, $visitor, $this->crowd->zone(), $source, '192.0.2.7',
            proven: $person === null ? null : Proven::byCookie($person->id, $person->business_id)));
        $this->payments->ask($order->payments[0]->setRelation('order', $order->load(['funnel.business', 'lines'])));
        $order = Order::query()->with(['funnel.business', 'version', 'person'])->findOrFail($order->id);
        if ($order->state->isBought()) {
            $this->extras($order, $at->addMinute());
        }
    }

    private function checkoutOf(Offer $offer): PagePlan
    {
        $plan = $this->plan();

        return array_values(array_filter($plan->pages, fn (PagePlan $p): bool => $plan->offerOn($p)?->id === $offer->id))[0]
            ?? throw new RuntimeException("Nothing sells {$offer->name}.");
    }

    private function extras(Order $order, CarbonImmutable $at): void
    {
        CarbonImmutable::setTestNow($at);
        $version = $order->version;
        foreach ([[PageRole::Upsell, 0.24], [PageRole::Downsell, 0.3]] as [$role, $chance]) {
            $page = $version->plan()->pageOf($role);
            if ($page === null) {
                return;
            }
            $this->view($page, (string) $order->visitor, $order->source, $at);
            if (! $this->crowd->chance($chance)) {
                $this->extra->decline($order, $page, $version);

                continue;
            }
            try {
                $payment = $this->extra->accept($order, $page, $version);
                if ($payment !== null) {
                    $this->payments->ask($payment);
                }
            } catch (NotForSale) {
                // They ticked it at the checkout.
            }

            return;
        }
    }

    /** Some change their minds: all of it back, one line, a part. */
    private function refunds(CarbonImmutable $now): void
    {
        $orders = Order::query()->where('state', 'paid')->where('bought_at', '<', Instant::sql($now->subDays(9)))->orderBy('number')
            ->get();
        foreach ([[3, [], null, true, 'It came at the wrong time for her.'], [11, [], 4000, false, 'Two weeks lost to a broken string.'],
            [17, [], null, true, 'Bought it twice, under two addresses.']] as $i => [$at, $lines, $amount, $ends, $why]) {
            $order = $orders[$at] ?? null;
            if ($order !== null) {
                $this->refunding->refund($order, md5("demo refund {$i}"), $lines, $amount, $ends, $why);
            }
        }
    }

    private function plan(): Plan
    {
        return $this->funnel->liveVersion?->plan() ?? throw new RuntimeException('The funnel is not live.');
    }

    private function named(string $name): Offer
    {
        foreach ($this->plan()->offers as $offer) {
            if ($offer->name === $name) {
                return $offer;
            }
        }

        throw new RuntimeException("There is no offer {$name}.");
    }

    private function product(Offer $offer): Product
    {
        return $this->plan()->product($offer->product) ?? throw new RuntimeException('There is no such product.');
    }

    private function page(Funnel $funnel, PageRole $role): DraftPart
    {
        return DraftPart::there($funnel->id, PagePlan::kind())->where('definition->role', $role->value)->firstOrFail();
    }

    private static function euros(int $euros): Money
    {
        return Money::of($euros * 100, Currency::of('EUR'));
    }
}
