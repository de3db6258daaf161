<?php

declare(strict_types=1);

namespace Tests\Feature\Journey;

use App\Mail\Sending\MessageSender;
use App\Models\Message;
use App\Models\Order;
use App\Models\Person;
use App\People\Tags\Tagging;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Offers\Availability;
use Lantern\Core\People\State\PersonState;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Core\Journey\CorePlay;
use Tests\Feature\Sales\SalesTestCase;

/**
 * What the core decides by itself is what happens: a funnel that sells is played for one person over three weeks, once with the core
 * alone and once in the application with a clock that is moved, and both come to the same emails, pages and order.
 */
final class PlayedFunnelTest extends SalesTestCase
{
    private const BROWSER = ['User-Agent' => 'Mozilla/5.0 (X11) Gecko/20100101 Firefox/140.0', 'Accept-Language' => 'en-GB',
        'Sec-Fetch-Mode' => 'navigate', 'Sec-Fetch-Dest' => 'document', 'Sec-Fetch-User' => '?1'];

    private const TAG = 'Interested in First Season';

    /** @var array<string, string> the hidden fields of the checkout that was opened last */
    private array $opened = [];

    /** @var list<string> names of the pages that were come to */
    private array $pages = [];

    /** @return iterable<string, array{list<array<int, string>>}> what they do, each at its moment in UTC */
    public static function stories(): iterable
    {
        $begins = [['2027-04-14 10:00', 'tag'], ['2027-04-14 10:10', 'click', 'The introductory price'],
            ['2027-04-14 10:11', 'look', 'introductory'], ['2027-04-14 10:12', 'look', 'order-introductory'], ['2027-04-14 10:13', 'look',
                '']];
        yield 'buys in time, and takes the extra offer' => [[...$begins, ['2027-04-16 07:50', 'open', 'order-introductory'],
            ['2027-04-16 08:00', 'buy', 'order-introductory'],
            ['2027-04-16 08:01', 'accept', 'one-more-thing'], ['2027-05-05 10:00', 'look', 'introductory']]];
        // It ends at eight in the evening of the third day in Oslo.
        yield 'is too late for the price, and buys at the regular one' => [[...$begins, ['2027-04-17 17:59', 'look', 'introductory'],
            ['2027-04-17 17:59', 'open', 'order-introductory'],
            ['2027-04-17 18:00', 'look', 'introductory'], ['2027-04-17 18:20', 'buy', 'order-introductory'],
            ['2027-04-18 09:59', 'open', 'order'], ['2027-04-18 10:00', 'buy', 'order'], ['2027-04-18 10:01', 'decline', 'one-more-thing'],
            ['2027-04-18 10:02', 'accept', 'instead'], ['2027-05-05 10:00', 'look', '']]];
        yield 'pays in the grace' => [[...$begins, ['2027-04-17 17:59', 'open', 'order-introductory'], ['2027-04-17 18:09', 'buy',
            'order-introductory'],
            ['2027-04-17 18:10', 'decline', 'one-more-thing'], ['2027-04-17 18:11', 'decline', 'instead'],
            ['2027-05-05 10:00', 'look', 'order-introductory']]];
        yield 'never buys' => [[...$begins, ['2027-04-17 17:59', 'open', 'order-introductory'], ['2027-04-17 18:11', 'buy',
            'order-introductory'],
            ['2027-05-05 10:00', 'look', 'introductory']]];
        yield 'never clicks' => [[['2027-04-14 10:00', 'tag'], ['2027-04-20 10:00', 'look', 'introductory'],
            ['2027-05-05 10:00', 'look', '']]];
    }

    /** @param  list<array<int, string>>  $story */
    #[DataProvider('stories')]
    public function test_the_core_alone_comes_to_the_same(array $story): void
    {
        $this->travelTo('2027-04-14 10:00:00');
        $robin = Person::query()->create(['business_id' => $this->seller->business_id, 'email' => 'robin@example.com',
            'email_key' => 'robin@example.com', 'joined_at' => now(), 'timezone' => 'Europe/Oslo', 'first_name' => 'Robin']);
        $play = new CorePlay($this->plan(), PersonState::unknown(new DateTimeZone('Europe/Oslo'), $this->seller->business->zone()),
            new DateTimeImmutable('2027-04-14 10:00 UTC'), $this->seller->business->tax_rate);
        foreach ($story as $step) {
            self::assertSame($this->played($play, $step), $this->happens($robin, $step), implode(' ', $step));
        }
        $play->until(new DateTimeImmutable('2027-05-06 UTC'));
        $this->until('2027-05-06 00:00');

        self::assertNotSame([], $play->emails);
        self::assertSame($play->emails, Message::query()->where('kind', 'sequence')->where('state',
            'sent')->orderBy('sent_at')->orderBy('id')
            ->get()->map(fn (Message $m): string => $m->sent_at?->format('Y-m-d H:i').' '.$m->name)->all());
        self::assertSame($play->pages, $this->pages);
        $lines = Order::query()->with('lines')->get()->flatMap(fn (Order $o) => $o->lines)->map(
            fn ($line): string => $this->plan()->offer($line->offer_id)?->name.": {$line->total}")->all();
        self::assertSame($play->bought, $lines);
    }

    /** @param  array<int, string>  $step */
    private function played(CorePlay $play, array $step): bool
    {
        $play->until(new DateTimeImmutable("{$step[0]} UTC"));

        return match ($step[1]) {
            'tag' => [$play->tagged(self::TAG), true][1],
            'click' => [$play->click($step[2]), true][1],
            'look' => [$play->look($step[2]), true][1],
            'open' => [$play->open(), true][1],
            'buy' => $play->buy($step[2]) === Availability::OnSale,
            'accept' => $play->accept($step[2]) === Availability::OnSale,
            default => [$play->decline($step[2]), true][1],
        };
    }

    /** @param  array<int, string>  $step */
    private function happens(Person $robin, array $step): bool
    {
        $this->until($step[0]);
        $page = fn (string $address): string => "/{$this->funnel->address}".($address === '' ? '' : "/{$address}");

        return match ($step[1]) {
            'tag' => $this->tag($robin),
            'click' => $this->click($step[2]),
            'look' => $this->look($page($step[2])),
            'open' => ($this->opened = $this->fields($step[2])) !== [],
            'buy' => $this->led($this->post($page($step[2]), ['email' => 'robin@example.com', 'name' => 'Robin',
                'method' => self::card()] + $this->opened)),
            'accept' => $this->led($this->post($page($step[2]), $this->fields($step[2]))),
            default => $this->led($this->get($page($step[2]).'?answer=no')),
        };
    }

    private function tag(Person $robin): bool
    {
        app(Tagging::class)->add($robin, self::TAG, CarbonImmutable::now());
        $this->runQueue();

        return true;
    }

    private function click(string $name): bool
    {
        $message = Message::query()->where('name', $name)->where('state', 'sent')->sole();
        self::assertSame(1, preg_match('~href="[^"]*(/l/[^"]+)"~', (string) $message->html, $m));
        $answer = $this->flushHeaders()->withHeaders(self::BROWSER)->get(html_entity_decode($m[1]));
        $this->withUnencryptedCookie('lantern_visitor', (string) $answer->getCookie('lantern_visitor', false)?->getValue());
        $this->withUnencryptedCookie('lantern_reader', (string) $answer->getCookie('lantern_reader', false)?->getValue());

        return true;
    }

    private function look(string $url): bool
    {
        $answer = $this->get($url);
        for ($step = 0; $step < 5 && $answer->isRedirect(); $step++) {
            $url = (string) parse_url((string) $answer->headers->get('Location'), PHP_URL_PATH);
            $answer = $this->get($url);
        }
        $answer->assertOk();
        $this->pages[] = $this->named($url);

        return true;
    }

    /** @param  TestResponse<\Symfony\Component\HttpFoundation\Response>  $answer */
    private function led(TestResponse $answer): bool
    {
        $order = $answer->getCookie('lantern_order', false);
        if ($order !== null) {
            $this->withUnencryptedCookie('lantern_order', (string) $order->getValue());
        }
        if (! $answer->isRedirect()) {
            $answer->assertStatus(409);

            return false;
        }
        $this->pages[] = $this->named((string) parse_url((string) $answer->headers->get('Location'), PHP_URL_PATH));
        $this->runQueue();

        return true;
    }

    private function named(string $path): string
    {
        return $this->plan()->pageAt(trim(substr($path, strlen("/{$this->funnel->address}")), '/'))->name ?? $path;
    }

    /** @return array<string, string> the hidden fields of a page as it is now */
    private function fields(string $address): array
    {
        $html = (string) $this->get("/{$this->funnel->address}".($address === '' ? '' : "/{$address}"))->assertOk()->getContent();
        preg_match_all('/<input type="hidden" name="(\w+)" value="([^"]*)"/', $html, $m);

        return array_combine($m[1], array_map(html_entity_decode(...), $m[2]));
    }

    /** Time passes, and the application is woken at each moment at which it has something to do. */
    private function until(string $moment): void
    {
        $to = new CarbonImmutable($moment, 'UTC');
        while (($next = app(MessageSender::class)->next(CarbonImmutable::now())) !== null && $next <= $to) {
            $this->travelTo(max($next, CarbonImmutable::now()));
            $this->artisan('lantern:due')->assertSuccessful();
            $this->runQueue();
        }
        $this->travelTo(max($to, CarbonImmutable::now()));
    }
}
