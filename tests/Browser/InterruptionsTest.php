<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Lantern\Core\Page\Look\Looks;

/** A lost connection, a mistake taken back from the keyboard, a very small phone. */
final class InterruptionsTest extends BrowserTestCase
{
    private function newFunnel(RemoteWebDriver $b, string $name): string
    {
        $this->signIn($b);

        return $this->makeFunnel($b, $name, $name);
    }

    private function connection(RemoteWebDriver $b, bool $there): void
    {
        $tools = new ChromeDevToolsDriver($b);
        $tools->execute('Network.enable');
        $tools->execute('Network.emulateNetworkConditions',
            ['offline' => ! $there, 'latency' => 0, 'downloadThroughput' => -1, 'uploadThroughput' => -1]);
    }

    public function test_what_is_typed_without_a_connection_is_kept_and_saved_when_it_is_back(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->newFunnel($b, 'Offline');
            $this->press($b, 'Waiting list form');
            $this->field($b, 'Text on the button');
            $this->connection($b, false);
            $this->fill($b, 'Text on the button', 'Typed in the tunnel');
            $this->seeText($b, 'No connection. Your work is kept here and saved when it is back.');
            self::assertSame(0, (int) $this->sql("select count(*) from draft_parts where kind = 'form' and definition like '%tunnel%'"));
            $this->connection($b, true);
            $this->waitFor($b, fn (): bool => (int) $this->sql("select count(*) from draft_parts where kind = 'form' and definition like "
                ."'%Typed in the tunnel%'") === 1, 'it is saved by itself');
            $this->seeText($b, 'Everything is saved');
            self::assertSame('Typed in the tunnel', $this->field($b, 'Text on the button')->getAttribute('value'));
            // The browser writes down every request it could not make.
            $b->manage()->getLog('browser');
        });
    }

    public function test_an_email_that_is_not_saved_is_not_sent(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->signIn($b);
            $b->get(self::$studio.'/studio/emails/broadcasts');
            $this->press($b, 'Write a broadcast');
            $this->fill($b, 'Subject', 'Before the tunnel');
            $this->seeText($b, 'Everything is saved');
            $this->connection($b, false);
            $this->fill($b, 'Subject', 'Typed in the tunnel');
            $this->seeText($b, 'The connection is gone. What you typed is kept here');
            $this->press($b, 'Send to');
            $this->seeText($b, 'It is not saved yet, so it cannot be sent.');
            $this->press($b, 'Broadcasts');
            $this->seeText($b, 'Some of your work is not saved yet.');
            $this->connection($b, true);
            $this->waitFor($b,
                fn (): bool => (int) $this->sql("select count(*) from broadcasts where subject = 'Typed in the tunnel'") === 1,
                'it is saved by itself');
            $this->seeText($b, 'Everything is saved');
            $this->press($b, 'Broadcasts');
            $this->byWords($b, 'Write a broadcast');
            $b->manage()->getLog('browser');
        });
    }

    public function test_a_refused_change_says_why_keeps_what_was_typed_and_is_saved_once_put_right(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $funnel = $this->newFunnel($b, 'Refused');
            $this->press($b, 'Waiting list form');
            $field = $this->field($b, 'Text on the button');
            $field->sendKeys([WebDriverKeys::CONTROL, 'a'])->sendKeys([WebDriverKeys::NULL, WebDriverKeys::BACKSPACE]);
            $this->seeText($b, 'The button needs words that say what happens next.');
            self::assertStringNotContainsString('"button":""',
                (string) $this->sql("select definition from draft_parts where kind = 'form' and funnel_id = '{$funnel}'"));
            // Nobody walks away from it without being told.
            $this->press($b, 'Thank-you page');
            $this->find($b, 'iframe');
            $this->press($b, 'People');
            $this->seeText($b, 'Some of your work is not saved yet. The button needs words');
            self::assertStringContainsString("/funnels/{$funnel}", $b->getCurrentURL());
            $this->press($b, 'The button needs words');
            $this->field($b, 'Text on the button')->sendKeys('Count me in');
            $this->waitFor($b, fn (): bool => str_contains((string) $this->sql("select definition from draft_parts where kind = 'form' "
                ."and funnel_id = '{$funnel}'"), 'Count me in'), 'it is saved');
            $this->seeText($b, 'Everything is saved');
        });
    }

    public function test_an_answer_that_comes_late_does_not_take_the_place_of_a_newer_one(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->newFunnel($b, 'Late answers');
            $b->get(self::$studio.'/studio/funnels');
            $this->find($b, 'tbody tr');
            // The answer to one search is held back until it is let go.
            $b->executeScript('const real = window.fetch; window.fetch = async (url, options) => {
                const answer = await real(url, options);
                if (String(url).includes("search=late")) { window.held = true; await new Promise(r => { window.letGo = r; });
                    setTimeout(() => { window.arrived = true; }); }
                return answer;
            }');
            $this->find($b, 'input[type=search]')->sendKeys('late');
            $this->waitFor($b, fn (): bool => (bool) $b->executeScript('return window.held === true'), 'the first answer is held back');
            $this->retype($this->find($b, 'input[type=search]'), 'nothing like it');
            $this->seeText($b, 'No funnel is called “nothing like it” here.');
            $b->executeScript('window.letGo()');
            $this->waitFor($b, fn (): bool => (bool) $b->executeScript('return window.arrived === true'), 'now it comes');
            $b->executeAsyncScript('requestAnimationFrame(() => requestAnimationFrame(arguments[0]))');
            $this->seeText($b, 'No funnel is called “nothing like it” here.');
            self::assertCount(0, $b->findElements(WebDriverBy::cssSelector('tbody tr')));
        });
    }

    public function test_a_change_is_taken_back_from_the_keyboard(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $funnel = $this->newFunnel($b, 'Keyboard');
            $look = fn (): string => (string) $this->sql("select look from funnels where id = '{$funnel}'");
            $this->find($b, '[data-page]')->click();
            $this->find($b, 'iframe[data-ready=true]');
            $this->press($b, 'Look', '[role=tab]');
            $this->press($b, 'Salon', '[role=radio]');
            $this->waitFor($b, fn (): bool => $look() === 'salon', 'the look is saved');
            $b->getKeyboard()->sendKeys([WebDriverKeys::CONTROL, 'z']);
            $this->waitFor($b, fn (): bool => $look() === 'harbour', 'and taken back');
            $this->seeText($b, 'Undone: the look');
        });
    }

    public function test_pages_are_right_on_the_smallest_phone_in_every_look(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $funnel = $this->newFunnel($b, 'Donaudampfschifffahrtsgesellschaftskapitänsmütze für alle');
            $phone = $this->browser(320, 640);
            foreach (array_keys(Looks::all()) as $look) {
                $this->sql("update funnels set look = '{$look}' where id = '{$funnel}'");
                $this->publishAtOnce($b, $funnel);
                $address = (string) $this->sql("select address from funnels where id = '{$funnel}'");
                foreach (['', '/thank-you'] as $page) {
                    $phone->get(self::$site."/{$address}{$page}");
                    self::assertSame(320, $phone->executeScript('return document.documentElement.scrollWidth'), "{$look}{$page}");
                    $small = $phone->executeScript('return [...document.querySelectorAll("p, label, span, .text, button")].filter(e => '
                        .'e.offsetParent && e.innerText.trim() && parseFloat(getComputedStyle(e).fontSize) < 15).length');
                    self::assertSame(0, $small, "no small print in {$look}{$page}");
                }
                self::assertCount(0, $phone->findElements(WebDriverBy::cssSelector('img:not([alt])')));
            }
        });
    }
}
