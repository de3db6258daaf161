<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** A whole webinar funnel on its timeline: read, gone through, and changed by pointer and by keys. */
final class TimelineTest extends BrowserTestCase
{
    private function card(RemoteWebDriver $b, string $name): RemoteWebElement
    {
        return $this->waitFor($b, function (RemoteWebDriver $b) use ($name): RemoteWebElement|false {
            foreach ($b->findElements(WebDriverBy::cssSelector('[data-page]')) as $card) {
                if (str_starts_with($card->getText(), $name."\n") || $card->getText() === $name) {
                    return $card;
                }
            }

            return false;
        }, "the card of “{$name}”");
    }

    private function timing(string $funnel, string $email): mixed
    {
        return $this->sql("select json_extract(definition, '$.timing') from draft_parts where funnel_id = '{$funnel}' and kind = 'email' "
            ."and name = '{$email}'");
    }

    public function test_a_whole_webinar_fits_and_ways_and_emails_are_moved_on_it(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->signIn($b);
            $funnel = $this->makeFunnel($b, 'Webinar', 'First Melody', 'webinar');
            $b->get(self::$studio."/studio/funnels/{$funnel}");
            $this->card($b, 'Registration page');
            self::assertCount(12, $b->findElements(WebDriverBy::cssSelector('[data-page]')));
            self::assertTrue($b->executeScript('const t = document.querySelector("[data-test=timeline]"); '
                .'return t.scrollWidth <= t.clientWidth'), 'all of it is to be seen at once');
            $this->find($b, '[data-page] img');

            // A way, drawn with the pointer from its tag to another page.
            $way = fn (): mixed => $this->sql('select p.name from ways w join draft_parts p on p.id = w.to_page join draft_parts q on '
                ."q.id = w.page_id where q.funnel_id = '{$funnel}' and q.name = 'Replay page' and w.outcome = 'time-ran-out'");
            self::assertSame('Closed page', $way());
            (new WebDriverActions($b))->clickAndHold($this->byWords($b, 'time ran out → Closed page'))
                ->moveToElement($this->card($b, 'Delivery page'))->release()->perform();
            $this->waitFor($b, fn (): bool => $way() === 'Delivery page', 'the way leads where it was drawn');
            $this->press($b, 'Undo');
            $this->waitFor($b, fn (): bool => $way() === 'Closed page', 'and back');

            // An email, moved to the next moment by key and to another by pointer.
            $mark = fn (string $name): RemoteWebElement => $this->byWords($b, $name);
            self::assertStringContainsString('10080', (string) $this->timing($funnel, 'A week before'));
            $mark('A week before')->sendKeys([WebDriverKeys::ALT, WebDriverKeys::ARROW_RIGHT]);
            $goesOut = fn (int $minutes) => $this->waitFor($b, fn (): bool => str_contains((string) $this->timing($funnel, 'A week before'),
                "\"minutes\":{$minutes},"), "{$minutes} minutes before");
            $goesOut(1440);
            (new WebDriverActions($b))->dragAndDrop($mark('A week before'), $mark('An hour before'))->perform();
            $goesOut(60);
            self::assertStringEndsWith("/funnels/{$funnel}", $b->getCurrentURL(), 'letting go of it opens nothing');

            // Something more, where it belongs.
            $this->press($b, 'Add at “−1 h”');
            $this->press($b, 'An email in “Reminders and follow-up”');
            $this->find($b, '.email-text');
            $added = fn (): string => (string) $this->sql("select json_extract(definition, '$.timing') from draft_parts where kind = "
                ."'email' and funnel_id = '{$funnel}' and name like 'Follow-up, day %'");
            $this->waitFor($b, fn (): bool => str_contains($added(), '"anchor":"before-start","minutes":60'), 'it goes out an hour before');
            $b->get(self::$studio."/studio/funnels/{$funnel}");
            $this->card($b, 'Webinar room');

            // Along the strip, and by keys.
            $this->card($b, 'Webinar room')->click();
            $this->find($b, 'iframe[data-ready=true]');
            $here = $b->getCurrentURL();
            $this->press($b, 'On to “');
            $this->waitFor($b, fn (RemoteWebDriver $b): bool => $b->getCurrentURL() !== $here, 'the next one');
            $b->getKeyboard()->sendKeys([WebDriverKeys::ALT, WebDriverKeys::PAGE_UP, WebDriverKeys::NULL]);
            $this->waitFor($b, fn (RemoteWebDriver $b): bool => $b->getCurrentURL() === $here, 'and back to the one before');

            // In words.
            $b->get(self::$studio."/studio/funnels/{$funnel}");
            $this->press($b, 'List');
            $this->seeText($b, '10 min before the session');
            $this->seeText($b, 'Those whose time ran out go to “Closed page”');
            $this->press($b, 'A day before');
            $this->find($b, '.email-text');
            $this->press($b, 'Open the timeline');
            $this->press($b, 'Timeline', 'section[aria-label=Timeline] button');
            $this->card($b, 'Registration page');
        });
    }

    public function test_a_whole_webinar_goes_live_in_few_steps_and_what_is_missing_is_given_in_the_check(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->signIn($b);
            $this->sql("update businesses set postal_address = ''");
            $b->navigate()->refresh();
            // Each click and each filled field from the list of funnels to a live page, counted.
            $interactions = 0;
            $click = function (string $words, string $of = self::PRESSED) use ($b, &$interactions): void {
                $this->press($b, $words, $of);
                $interactions++;
            };
            $fill = function (string $label, string $value) use ($b, &$interactions): void {
                $this->fill($b, $label, $value);
                $interactions++;
            };
            $b->get(self::$studio.'/studio/funnels/new');
            $click('Hold a webinar', '[role=radio]');
            $fill('Private name', 'Open strings');
            $fill('What is the webinar called?', 'From Open Strings to Your First Melody');
            $fill('What does the programme cost, regularly?', '290');
            $fill('And at first, while the deadline runs?', '190');
            $click('Make the funnel');
            $this->byWords($b, 'Publish version 1');
            $page = (string) $this->sql("select id from draft_parts where name = 'Registration page' order by id desc limit 1");
            $this->askApi($b, 'PUT', "pages/{$page}/ways", ['outcome' => 'joined', 'none' => true]);
            $b->navigate()->refresh();
            $click('Publish version 1');
            $this->seeText($b, 'Must be fixed');
            $this->choose($b, 'Those who joined go to', 'Confirmation page');
            $interactions += 2;
            foreach (['A private hour' => '60', 'The recordings' => '25'] as $offer => $price) {
                $fill("Price of “{$offer}”", $price);
                $click('Set the price');
                $this->waitFor($b, fn (RemoteWebDriver $b): bool => ! str_contains((string) $b
                    ->executeScript('return document.body.innerText'), "“{$offer}” has no price yet."), 'it is not missing any more');
            }
            $fill('Postal address', '3 Ferncroft Yard, Exampleton');
            $click('Save');
            $click('Make it live');
            $this->find($b, '[data-test=public-url]');
            self::assertLessThanOrEqual(17, $interactions);
        });
    }
}
