<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** Results as an owner reads them: a split test from its first variant to what can be said of it, a goal, and what a source cost. */
final class ResultsTest extends BrowserTestCase
{
    public function test_a_split_test_a_goal_and_a_cost(): void
    {
        $this->steps(function (): void {
            $owner = $this->browser();
            $this->signIn($owner);
            $funnel = $this->makeFunnel($owner, 'Early birds');
            $this->publishAtOnce($owner, $funnel);
            $owner->get(self::$studio."/studio/results/{$funnel}/tests");
            $this->press($owner, 'Begin a split test');
            $this->seeText($owner, 'It is still a copy.');
            $this->find($owner, 'iframe[data-ready=true]');
            $owner->switchTo()->frame($owner->findElement(WebDriverBy::cssSelector('iframe')));
            $heading = $this->find($owner, 'h1[data-field]');
            $heading->click();
            $heading->sendKeys(WebDriverKeys::END);
            $heading->sendKeys(' by spring');
            $owner->switchTo()->defaultContent();
            $this->waitFor($owner,
                fn (): bool => str_contains((string) $this->sql("select definition from draft_parts where kind = 'variant'"),
                    'by spring'), 'the variant is saved');
            $owner->navigate()->refresh();
            $this->find($owner, '[data-test=differs] li');
            $this->press($owner, 'Start the split test');
            $this->seeText($owner, 'Nobody has seen it yet.');

            $address = (string) $this->sql("select address from funnels where id = '{$funnel}'");
            $seen = [];
            $visitor = $this->browser(375, 740);
            for ($i = 0; $i < 12 && count($seen) < 2; $i++) {
                // Each time another browser, as far as the page can tell.
                $visitor->get(self::$site."/{$address}");
                $letter = (string) $visitor->executeScript('return document.body.dataset.variant');
                self::assertSame($letter === 'b', str_contains($visitor->getPageSource(), 'by spring'));
                $this->waitFor($visitor,
                    fn (): bool => (int) $this->sql("select count(*) from experiment_people where variant = '{$letter}'")
                    > ($seen[$letter] ?? 0), 'who saw it is counted');
                $seen[$letter] = ($seen[$letter] ?? 0) + 1;
                $visitor->navigate()->refresh();
                self::assertSame($letter, $visitor->executeScript('return document.body.dataset.variant'), 'a browser keeps its variant');
                if ($letter === 'b') {
                    $this->fill($visitor, 'Email address', 'robin@example.com');
                    $visitor->findElement(WebDriverBy::cssSelector('form.form button'))->click();
                    $this->waitFor($visitor, fn (): bool => (int) $this->sql(
                        'select count(*) from experiment_people where joined_after is not null') === 1, 'the sign-up counts for it');
                    // Its answer brings cookies: it is another browser only once they have come and are gone.
                    $this->waitFor($visitor, fn (RemoteWebDriver $b): bool => str_contains($b->getCurrentURL(), 'thank-you'), 'joined');
                }
                $visitor->manage()->deleteAllCookies();
            }
            self::assertCount(2, $seen, 'both are shown');
            $this->seeText($owner, 'Too early to say.');
            $this->press($owner, 'End the test');
            $this->seeText($owner, 'It is too early to know which is better.');
            $this->choose($owner, 'From now on everybody gets', 'B, Variant B');
            $this->press($owner, 'End it');
            $this->seeText($owner, 'Everybody gets variant B since.');
            self::assertSame('b', $this->sql('select winner from experiments'));

            // An email's subject is tested as a page is.
            $email = (string) $this->sql("select id from draft_parts where kind = 'email' and funnel_id = '{$funnel}' limit 1");
            $owner->get(self::$studio."/studio/funnels/{$funnel}/email/{$email}");
            $this->press($owner, 'Test another version');
            $this->seeText($owner, 'Another version of');
            $subject = $this->find($owner, '[aria-label=Subject]');
            $subject->click();
            $subject->sendKeys([WebDriverKeys::END, ' at last']);
            $this->find($owner, '[data-test=differs] li');
            $this->press($owner, 'Start the split test');
            $this->seeText($owner, 'Nobody has got it yet.');
            self::assertSame('email', $this->sql('select tested from experiments where ended_at is null'));

            $owner->get(self::$studio."/studio/results/{$funnel}");
            $this->seeText($owner, 'of a hundred');
            $this->find($owner, '[data-test=steps] tbody tr');
            $this->choose($owner, 'Goal', 'Sales and revenue');
            $this->seeText($owner, 'there were 0 sales');
            $this->choose($owner, 'Goal', 'Sign-ups');
            $owner->get(self::$studio."/studio/results/{$funnel}/plan");
            $this->retype($this->field($owner, 'I want'), '40');
            $this->press($owner, 'Write it down as a goal');
            $this->find($owner, '[data-test=goal]');
            $owner->get(self::$studio.'/studio/funnels');
            $this->seeText($owner, '0 of 40 sign-ups');

            $owner->get(self::$studio.'/studio/results/costs');
            $this->seeText($owner, 'what visitors cost is not known');
            $this->fill($owner, 'Source', 'podcast');
            $this->fill($owner, 'Amount', '57');
            $this->press($owner, 'Add');
            $this->seeText($owner, 'You spent €57.');
        });
    }
}
