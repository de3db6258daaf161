<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;

/** The owner makes a rule, sees it in the rehearsal and then in life; and one for the whole business, in Settings. */
final class RulesTest extends BrowserTestCase
{
    private const SENTENCE = 'When they see “Sales page” 3 times, they get the tag “Watching”. Only for whoever did not buy anything. '
        .'Once for each person.';

    public function test_a_rule_is_made_rehearsed_and_acts_for_whoever_looked_three_times_and_did_not_buy(): void
    {
        $this->steps(function (): void {
            $owner = $this->browser();
            $this->signIn($owner);
            $selling = (string) $this->askApi($owner, 'POST', 'funnels',
                ['goal' => 'sell', 'name' => 'Season', 'title' => 'First Season', 'price' => '290'])['id'];
            $this->priceOffers($owner, $selling);
            $owner->get(self::$studio."/studio/funnels/{$selling}");
            $this->addToFunnel($owner, 'Add a rule');
            $this->seeText($owner, 'When they …, … Once for each person.');
            $this->fill($owner, 'Private name', 'Watching');
            $this->press($owner, 'Choose what sets it off');
            $this->choose($owner, 'What sets it off', 'they see a page');
            $this->choose($owner, 'Which one', 'Sales page');
            $times = $owner->findElement(WebDriverBy::cssSelector('[aria-label="What sets it off"] input[type=number]'));
            $this->retype($times, "3\t");
            $this->press($owner, 'Only those who …');
            $this->choose($owner, 'What the rule is about', 'What they did');
            $this->choose($owner, 'What they did or did not do', 'did not buy');
            $this->press($owner, 'Choose what it does');
            $tag = $this->find($owner, 'input[aria-label="Which tag"]');
            $this->retype($tag, "Watching\t");
            $this->seeText($owner, self::SENTENCE);

            // In the rehearsal of the draft, before anything is public.
            $owner->get(self::$studio."/studio/funnels/{$selling}");
            $this->press($owner, 'Rehearse');
            $this->press($owner, 'Gets the tag “Interested in First Season”');
            $this->press($owner, 'Also what only you see', 'label');
            $this->press($owner, 'Open a page by its address', 'summary');
            // By a link of theirs it is known whose browser it is.
            $this->press($owner, 'Follows the link to “Sales page, introductory” in “The introductory price”');
            foreach (range(1, 3) as $views) {
                $this->press($owner, 'Opens “Sales page” by its address');
                $this->waitFor($owner, fn (): bool => substr_count((string) $owner->executeScript('return document.body.innerText'),
                    'They see “Sales page”.') === $views, "view {$views}");
            }
            $this->seeText($owner, 'The rule “Watching” acts: they get the tag “Watching”. Saw “Sales page” 3 times.');

            // In life: somebody who joined a list elsewhere looks three times.
            $this->publishAtOnce($owner, $selling);
            $list = $this->makeFunnel($owner, 'List');
            $this->publishAtOnce($owner, $list);
            $visitor = $this->browser();
            $visitor->get((string) $this->askApi($owner, 'GET', "funnels/{$list}")['url']);
            $this->fill($visitor, 'Email', 'wren@example.com');
            $visitor->findElement(WebDriverBy::cssSelector('form button[type=submit]'))->click();
            $this->waitFor($visitor, fn (): bool => (int) $this->sql('select count(*) from people') === 1, 'they have joined');
            $url = (string) $this->askApi($owner, 'GET', "funnels/{$selling}")['url'];
            foreach (range(1, 3) as $views) {
                self::assertSame(0, (int) $this->sql('select count(*) from rule_runs'));
                $visitor->get($url);
                $this->waitFor($visitor,
                    fn (): bool => (int) $this->sql("select count(*) from events where type = 'viewed' and funnel_id = "
                    ."'{$selling}'") === $views, "view {$views} is counted");
            }
            $this->waitFor($visitor, fn (): bool => $this->sql('select state from rule_runs') === 'done', 'the rule has acted');
            $person = (string) $this->sql('select id from people');
            $owner->get(self::$studio."/studio/people/{$person}");
            $this->seeText($owner, 'Rule: Watching: they get the tag “Watching” (Saw “Sales page” 3 times.)');

            // For the whole business, at work as soon as it is written.
            $owner->get(self::$studio.'/studio/settings');
            $this->press($owner, 'Rules', 'button, summary, h2');
            $this->press($owner, 'Rules', 'a');
            $this->seeText($owner, self::SENTENCE);
            $this->press($owner, 'A rule');
            $this->fill($owner, 'Private name', 'Answered');
            $this->press($owner, 'Choose what sets it off');
            $this->choose($owner, 'What sets it off', 'you mark that they replied');
            $this->press($owner, 'Choose what it does');
            $this->choose($owner, 'What it does', 'Write a note');
            $this->retype($this->find($owner, 'input[aria-label="The words"]'), "Talks to me\t");
            $this->seeText($owner, 'When they are marked as having replied, the note “Talks to me” is written. Once for each person.');
            $owner->get(self::$studio."/studio/people/{$person}");
            $this->press($owner, 'Actions');
            $this->press($owner, 'They replied', '[role=menuitem]');
            $this->seeText($owner, 'Talks to me');
            $owner->get(self::$studio.'/studio/settings/rules');
            $this->seeText($owner, 'Acted once in the last four weeks');
            $this->openLog($owner);
            $this->seeText($owner, 'the note “Talks to me” is written');
            $this->press($owner, 'Pause');
            $this->seeText($owner, 'Paused · Acted once');
        });
    }

    private function openLog(RemoteWebDriver $owner): void
    {
        $this->press($owner, 'Change');
        $this->seeText($owner, 'What it did');
    }
}
