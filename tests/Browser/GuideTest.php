<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** A guide, from a pasted text to the strip of whoever read it on a phone. */
final class GuideTest extends BrowserTestCase
{
    private const TEXT = "# Tuning\n\nListen first.\n\n- [ ] Tune\n- [ ] Sit down\n\n# Playing\n\nPlay on.\n\n# Resting\n\nRest.";

    private function isAt(RemoteWebDriver $b, string $page): void
    {
        $this->waitFor($b, fn (): bool => $b->executeScript('return document.querySelector(".leaf[data-here]")?.ariaLabel') === $page,
            "“{$page}” is open");
    }

    /** Nobody can read a page in no time: it is waited for until the server believes it. */
    private function isRead(RemoteWebDriver $b, int $pages): void
    {
        $this->waitFor($b, function () use ($b, $pages): bool {
            $b->executeScript('dispatchEvent(new Event("online"))');

            return (int) $this->sql('select count(*) from guide_pages_seen where read_at is not null') >= $pages;
        }, "{$pages} pages are read");
    }

    public function test_it_is_made_of_a_text_read_on_a_phone_and_seen_on_the_person(): void
    {
        $this->steps(function (): void {
            $owner = $this->browser();
            $this->signIn($owner);
            $owner->get(self::$studio.'/studio/funnels/new');
            $this->press($owner, 'Give something away');
            $this->fill($owner, 'Private name', 'Practice plan');
            $this->fill($owner, 'What is the lead magnet called?', 'The Twelve-Minute Practice Plan');
            $this->press($owner, 'A guide to read in the browser');
            $this->press($owner, 'Make the funnel');
            $this->press($owner, 'The Twelve-Minute Practice Plan', 'a[href*="/guide/"]');
            $this->press($owner, 'From a document');
            $owner->findElement(WebDriverBy::id('document-text'))->sendKeys(self::TEXT);
            $this->press($owner, 'See the pages');
            $this->seeText($owner, '3 pages');
            $this->press($owner, 'In place of the pages', 'label');
            $this->press($owner, 'Add 3 pages');
            $this->seeText($owner, 'Resting');
            $funnel = (string) $this->sql('select id from funnels');
            $this->publishAtOnce($owner, $funnel);

            $address = self::$site.'/'.$this->sql("select address from funnels where id = '{$funnel}'");

            $phone = $this->browser(375, 740);
            $phone->get($address);
            $this->fill($phone, 'Email address', 'robin@example.com');
            $this->press($phone, 'Send it to me');
            $this->press($phone, 'Read it now');
            $this->isAt($phone, 'Tuning');
            self::assertSame(375, $phone->executeScript('return document.documentElement.scrollWidth'), 'nothing runs off the phone');
            $phone->findElement(WebDriverBy::cssSelector('.leaf[data-here] input[data-item="1"]'))->click();
            $this->waitFor($phone, fn (): bool => (int) $this->sql('select count(*) from guide_answers') === 1, 'the tick is kept');
            $this->isRead($phone, 1);
            $phone->findElement(WebDriverBy::tagName('body'))->sendKeys(WebDriverKeys::ARROW_RIGHT);
            $this->isAt($phone, 'Playing');
            $this->isRead($phone, 2);
            // Back where they were, with what they ticked, after they left.
            $phone->get('about:blank');
            $phone->get("{$address}/read");
            $this->isAt($phone, 'Playing');
            $phone->navigate()->back();
            $phone->get("{$address}/read");
            $this->press($phone, 'Contents', 'summary');
            $this->press($phone, 'Tuning', '.guide-contents a');
            $this->isAt($phone, 'Tuning');
            self::assertTrue($phone->executeScript('return document.querySelector(".leaf[data-here] input[data-item=\'1\']").checked'));
            $this->press($phone, 'Next page', '.leaf[data-here] a');
            $this->press($phone, 'Next page', '.leaf[data-here] a');
            $this->isAt($phone, 'Resting');
            $this->isRead($phone, 3);
            $this->waitFor($phone, fn (): bool => (string) $this->sql('select finished_at from guide_progress') !== '', 'it is finished');

            $owner->get(self::$studio.'/studio/people/warmth');
            $this->press($owner, 'robin@example.com', '[data-test=first] a');
            $this->seeText($owner, 'The Twelve-Minute Practice Plan');
            $this->seeText($owner, 'Sit down');
            self::assertCount(3, $owner->findElements(WebDriverBy::cssSelector('[data-test=reading] ol > li')));
            $this->seeText($owner, 'finished a guide');
        });
    }
}
