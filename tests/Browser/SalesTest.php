<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Payments\Practice\Behaviour;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;

/** From “sell a programme” to money, as the coach and as a stranger with a phone see it. */
final class SalesTest extends BrowserTestCase
{
    /** Fills in the card fields in their frame. */
    private function card(RemoteWebDriver $b, Behaviour $card): void
    {
        $frame = $this->find($b, '[data-card] iframe');
        $b->switchTo()->frame($frame);
        foreach (['number' => $card->number(), 'until' => '08/31', 'code' => '123'] as $name => $value) {
            $this->retype($this->find($b, "#{$name}"), $value);
        }
        $b->switchTo()->defaultContent();
    }

    private function frameSays(RemoteWebDriver $b): string
    {
        $b->switchTo()->frame($this->find($b, '[data-card] iframe'));
        $said = (string) $b->executeScript('return document.body.innerText');
        $b->switchTo()->defaultContent();

        return $said;
    }

    /** What is far down on a phone is scrolled to at once: the driver does not wait for a page that glides. */
    private function tap(RemoteWebDriver $b, string $words, string $of = self::PRESSED): void
    {
        $b->executeScript('document.documentElement.style.scrollBehavior = "auto"');
        $this->press($b, $words, $of);
    }

    private function path(RemoteWebDriver $b): string
    {
        return (string) parse_url($b->getCurrentURL(), PHP_URL_PATH);
    }

    public function test_a_funnel_is_made_priced_published_and_a_stranger_buys(): void
    {
        $this->steps(function (): void {
            $owner = $this->browser();
            $this->signIn($owner);
            $owner->get(self::$studio.'/studio/funnels/new');
            $this->press($owner, 'Sell a programme', '[role=radio]');
            $this->fill($owner, 'Private name', 'Autumn sales');
            $this->fill($owner, 'What is the programme called?', 'First Season');
            $this->fill($owner, 'What does the programme cost', '190');
            $this->press($owner, 'Make the funnel');
            $this->byWords($owner, 'Publish version 1');
            $funnel = basename($this->path($owner));
            // The check asks for the prices that are open, and leads to them.
            $this->press($owner, 'Publish version 1');
            $this->seeText($owner, '“A private hour” has no price yet.');
            $this->press($owner, 'Open the offer');
            $this->fill($owner, 'Price', '60');
            $this->press($owner, 'The recordings', 'nav[aria-label="What this funnel sells"] a[href*="/offer/"]');
            $this->fill($owner, 'Price', '25');
            $this->press($owner, 'Introductory price', 'nav[aria-label="What this funnel sells"] a[href*="/offer/"]');
            $this->fill($owner, 'Price', '150');
            $this->waitFor($owner, fn (): bool => (int) $this->sql("select count(*) from draft_parts where kind = 'offer' and "
                ."json_extract(definition, '$.price.amount') > 0") === 4, 'all prices are saved');
            $this->press($owner, 'Add a coupon');
            $this->fill($owner, 'Code for everybody', 'early');
            $this->seeText($owner, '10 % off');
            $this->waitFor($owner, fn (): bool => (string) $this->sql("select json_extract(definition, '$.code') from draft_parts where "
                ."kind = 'coupon'") === 'EARLY', 'the coupon is saved');
            $this->publishAtOnce($owner, $funnel);
            $address = (string) $this->sql("select address from funnels where id = '{$funnel}'");

            $b = $this->browser(400, 800);
            $b->get(self::$site."/{$address}");
            $this->tap($b, 'I am in', 'a.button');
            $this->find($b, 'form.checkout');
            self::assertSame("/{$address}/order", $this->path($b));
            // The empty card says what it needs, and nothing typed is lost.
            $this->fill($b, 'Email address', 'ada@pupils.example');
            $this->fill($b, 'Name on the receipt', 'Ada Moss');
            $this->tap($b, 'Pay now');
            $this->waitFor($b, fn (): bool => str_contains($this->frameSays($b), 'Practice payments take practice cards alone'),
                'it says so');
            $b->findElement(WebDriverBy::cssSelector('[name="bump[]"]'))->click();
            $b->findElement(WebDriverBy::cssSelector('details.coupon summary'))->click();
            $this->fill($b, 'Code', 'early');
            $this->tap($b, 'Use it');
            $this->waitFor($b, fn (): bool => str_contains((string) $b->findElement(WebDriverBy::cssSelector('[data-pay]'))->getText(),
                '€193.50'), 'the sum follows');
            $this->card($b, Behaviour::BankLater);
            $this->tap($b, 'Pay now');
            $this->seeText($b, 'Would you like me to look at yours?');
            // The extra offer: one click, and this time the bank asks.
            $this->tap($b, 'Yes, add it');
            $this->seeText($b, 'Do you approve this payment?');
            $this->tap($b, 'Approve', 'button');
            $this->seeText($b, 'Good to have you here');
            $this->seeText($b, 'A private hour');
            self::assertSame(25_350, (int) $this->sql('select paid from orders'));
            self::assertLessThanOrEqual(400, $b->executeScript('return document.documentElement.scrollWidth'));

            $owner->get(self::$studio.'/studio/sales/orders');
            $this->seeText($owner, '€253.50 paid');
            $this->press($owner, 'Ada Moss', 'td a');
            $this->press($owner, 'Refund');
            foreach (['First Season', 'A private hour'] as $kept) {
                $this->press($owner, $kept, '[role=dialog] label');
            }
            $this->press($owner, 'Refund', '[role=dialog] button[type=submit]');
            $this->seeText($owner, 'Part-refunded.');
            $this->seeText($owner, '€22.50 refunded');
            $person = (string) $this->sql('select person_id from orders');
            $owner->get(self::$studio."/studio/people/{$person}");
            $this->seeText($owner, '€231');
            $owner->get(self::$studio."/studio/results/{$funnel}");
            $this->waitFor($owner, fn (RemoteWebDriver $o): bool => $o->findElements(WebDriverBy::cssSelector('[data-test=revenue]')) !== []
                && $o->findElement(WebDriverBy::cssSelector('[data-test=revenue]'))->getText() === '€231', 'the results say the same');
            $owner->get(self::$studio.'/studio/sales/ledger');
            $this->seeText($owner, '−€22.50');
        });
    }

    public function test_a_declined_card_is_said_and_a_double_click_is_one_order(): void
    {
        $this->steps(function (): void {
            $owner = $this->browser();
            $this->signIn($owner);
            $funnel = (string) $this->askApi($owner, 'POST', 'funnels',
                ['goal' => 'sell', 'name' => 'Two', 'title' => 'First Season', 'price' => '190'])['id'];
            $offers = $this->askApi($owner, 'GET', "funnels/{$funnel}")['offers'];
            foreach ($offers as $offer) {
                $this->askApi($owner, 'PUT', "parts/{$offer['id']}", ['revision' => $offer['revision'],
                    'price' => ['kind' => 'once', 'amount' => 19_000, 'currency' => 'EUR']]);
            }
            $this->publishAtOnce($owner, $funnel);
            $address = (string) $this->sql("select address from funnels where id = '{$funnel}'");
            $b = $this->browser(400, 800);
            $b->get(self::$site."/{$address}/order");
            $this->fill($b, 'Email address', 'ben@pupils.example');
            $this->card($b, Behaviour::Declines);
            $this->tap($b, 'Pay now');
            $this->seeText($b, 'Your bank declined this card. Please try another one.');
            self::assertSame('ben@pupils.example', $this->field($b, 'Email address')->getAttribute('value'));
            $this->card($b, Behaviour::Approves);
            $b->executeScript('const pay = document.querySelector("[data-pay]"); pay.click(); pay.click()');
            $this->seeText($b, 'Would you like me to look at yours?');
            self::assertSame('1 19000', $this->sql("select count(*) || ' ' || sum(paid) from orders o join funnels f on f.id = o.funnel_id "
                ."where f.id = '{$funnel}' and o.state = 'paid'"));
            // No thanks, and no again, both lead on.
            $this->tap($b, 'No thanks, go on without it');
            $this->seeText($b, 'The recordings, to keep');
            $this->tap($b, 'No thanks, let us begin');
            $this->seeText($b, 'It is yours');
        });
    }
}
