<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;

/** The introductory price of a starter, as the coach sets it and as its reader meets it on two devices. */
final class DeadlineTest extends BrowserTestCase
{
    private function path(RemoteWebDriver $b): string
    {
        return (string) parse_url($b->getCurrentURL(), PHP_URL_PATH);
    }

    private function until(RemoteWebDriver $b): string
    {
        return (string) $this->find($b, '.countdown')->getAttribute('data-until');
    }

    /** A live funnel that sells, with all its prices, and its address. */
    private function selling(RemoteWebDriver $owner): string
    {
        $funnel = (string) $this->askApi($owner, 'POST', 'funnels',
            ['goal' => 'sell', 'name' => 'Season', 'title' => 'First Season', 'price' => '290'])['id'];
        foreach ($this->askApi($owner, 'GET', "funnels/{$funnel}")['offers'] as $i => $offer) {
            $this->askApi($owner, 'PUT', "parts/{$offer['id']}", ['revision' => $offer['revision'],
                'price' => ['kind' => 'once', 'amount' => [29_000, 6_000, 2_500, 19_000][$i], 'currency' => 'EUR']]);
        }

        return $funnel;
    }

    /** Somebody on the list, with the tag that starts the offer; the link in the email that they get. */
    private function offered(RemoteWebDriver $owner): string
    {
        $list = (string) $this->askApi($owner, 'POST', 'funnels', ['goal' => 'waiting-list', 'name' => 'List',
            'title' => 'The list'])['id'];
        $this->publishAtOnce($owner, $list);
        $reader = $this->browser(400, 800);
        $reader->get(self::$site.'/'.$this->sql("select address from funnels where id = '{$list}'"));
        $this->fill($reader, 'Email address', 'wren@example.com');
        $reader->findElement(WebDriverBy::cssSelector('form button'))->click();
        $this->waitFor($reader, fn (): bool => $this->sql("select count(*) from people where email = 'wren@example.com'") > 0,
            'they are in');
        $person = (string) $this->sql("select id from people where email = 'wren@example.com'");
        $this->askApi($owner, 'POST', "people/{$person}/tags", ['name' => 'Interested in First Season']);
        $this->waitFor($owner, fn (): bool => $this->sql("select state from messages where name = 'The introductory price'") === 'sent',
            'the offer is sent');
        preg_match('~href="([^"]*/l/[^"]+)"~', (string) $this->sql("select html from messages where name = 'The introductory price'"), $m);

        return html_entity_decode($m[1] ?? '');
    }

    public function test_it_is_set_in_a_sentence_starts_once_is_one_on_all_devices_and_really_ends(): void
    {
        $this->steps(function (): void {
            $owner = $this->browser();
            $this->signIn($owner);
            $funnel = $this->selling($owner);
            $owner->get(self::$studio."/studio/funnels/{$funnel}");
            $this->press($owner, 'Introductory price', 'section[aria-label=Timeline] .bar');
            $this->seeText($owner, 'Starts when they click in “The introductory price”, lasts 3 days until 20:00 their time.');
            $this->seeText($owner, 'On a Friday night');
            $this->retype($this->find($owner, '[data-test=lasts] input'), '2');
            $owner->executeScript('document.activeElement.blur()');
            $this->seeText($owner, 'lasts 2 days until 20:00 their time.');
            $this->publishAtOnce($owner, $funnel);
            $address = '/'.$this->sql("select address from funnels where id = '{$funnel}'");
            $link = $this->offered($owner);

            // A stranger with the address, who was not invited, sees the regular price.
            $stranger = $this->browser(400, 800);
            $stranger->get(self::$site.$address.'/introductory');
            self::assertSame($address, $this->path($stranger));
            $stranger->get($link);
            // Soon after it was sent it might be a mail server that looks it over: then the reader is asked, and says that they are one.
            foreach ($stranger->findElements(WebDriverBy::xpath("//button[contains(., 'start my time')]")) as $button) {
                $button->click();
            }
            $this->waitFor($stranger, fn (): bool => $this->path($stranger) === "{$address}/introductory", 'the introductory page');
            $until = $this->until($stranger);
            $second = $this->browser();
            $second->get($link);
            self::assertSame([$until, "{$address}/introductory"], [$this->until($second), $this->path($second)]);
            self::assertSame(1, (int) $this->sql("select count(*) from deadline_facts where type = 'started'"));
            self::assertLessThanOrEqual(400, $stranger->executeScript('return document.documentElement.scrollWidth'));

            $second->get(self::$site.$address.'/order-introductory');
            $this->find($second, 'form.checkout');
            // Nobody waits for two days here.
            $this->sql("update deadline_runs set ends_at = '".self::fromNow('+3 seconds')."'");
            $stranger->navigate()->refresh();
            $this->find($stranger, '.last-warning:not([hidden])');
            $this->press($stranger, 'Close', '.last-warning button');
            $this->waitFor($stranger, fn (): bool => $this->path($stranger) === $address, 'the page leads on by itself');
            foreach ([$link, self::$site.$address.'/introductory', self::$site.$address.'/order-introductory'] as $url) {
                $second->get($url);
                self::assertSame($address, $this->path($second), $url);
            }
            $owner->get(self::$studio.'/studio/people/'.$this->sql("select id from people where email = 'wren@example.com'"));
            $this->seeText($owner, 'Clicked in “The introductory price”.');
            $this->seeText($owner, 'The time of “Introductory price” ran out');
            $owner->get(self::$studio."/studio/funnels/{$funnel}/deadline/".$this->sql('select deadline_id from deadline_runs'));
            $this->press($owner, 'Over', '[aria-label="How it stands for them"] button');
            $this->waitFor($owner, fn (RemoteWebDriver $o): bool => str_contains($this->find($o, '[data-test=in-deadline]')->getText(),
                'wren@example.com'), 'who is in it');
        });
    }
}
