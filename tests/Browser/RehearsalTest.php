<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/** The owner plays their funnel, keeps a way as a promise, breaks it, and is told before it goes live. */
final class RehearsalTest extends BrowserTestCase
{
    public function test_a_way_is_rehearsed_kept_and_missed_at_publishing(): void
    {
        $this->steps(function (): void {
            $owner = $this->browser();
            $this->signIn($owner);
            $funnel = (string) $this->askApi($owner, 'POST', 'funnels',
                ['goal' => 'sell', 'name' => 'Season', 'title' => 'First Season', 'price' => '290'])['id'];
            $this->priceOffers($owner, $funnel);
            $owner->get(self::$studio."/studio/funnels/{$funnel}");
            $this->press($owner, 'Rehearse');
            $this->seeText($owner, 'What do they do next?');

            // Somebody far away, who clicks late and looks once more at the last minute.
            $this->press($owner, 'Change');
            $this->fill($owner, 'Name', 'Wren Holloway');
            $this->retype($this->find($owner, '[role=dialog] [role=combobox]'), 'Auckland');
            $this->press($owner, 'Pacific/Auckland', '[role=option]');
            $this->press($owner, 'Rehearse with them');
            $this->seeText($owner, 'Pacific/Auckland, on a computer');
            $this->press($owner, 'Gets the tag “Interested in First Season”');
            $this->seeText($owner, '“The introductory price” comes.');
            $this->press($owner, 'Does nothing for a day');
            $this->press($owner, 'Follows the link to “Sales page, introductory” in “The introductory price”');
            $this->seeText($owner, '“Introductory price” begins for them');
            $this->press($owner, 'Waits until a minute before “Introductory price” ends');
            $this->seeText($owner, '“Three hours left” comes.');
            $page = $this->find($owner, 'iframe[title="The page, as they see it"]');
            $owner->switchTo()->frame($page);
            $this->seeText($owner, 'First Season');
            $owner->switchTo()->defaultContent();
            $this->press($owner, 'Mailbox (3)');
            $this->press($owner, 'Three hours left', '[data-test=mailbox] button');
            $owner->switchTo()->frame($this->find($owner, 'iframe[title="The email, as they read it"]'));
            $this->seeText($owner, 'Wren');
            $owner->switchTo()->defaultContent();
            // What they do next is pressed on the page itself, or chosen beside it.
            $this->press($owner, 'Sales page, introductory', '[role=tab]');
            $owner->switchTo()->frame($this->find($owner, 'iframe[data-test=seen]'));
            $this->find($owner, '.price a.button')->click();
            $owner->switchTo()->defaultContent();
            $this->seeText($owner, 'They see “Checkout page, introductory”.');
            $this->press($owner, 'Buys “Introductory price” for €190');
            $this->seeText($owner, 'They buy “Introductory price” for €190.');

            // What would have been, beside what is.
            $owner->findElement(WebDriverBy::cssSelector('button[aria-label="One step back"]'))->click();
            $this->press($owner, 'Does nothing for 3 days');
            $this->seeText($owner, 'Second way (below)');
            $this->seeText($owner, '“The regular price” comes.');
            $this->press($owner, 'First way (above)', '[role=tab]');
            $this->press($owner, 'Save as promise');
            $this->retype($this->field($owner, 'What you promise, in your own words'), 'Whoever buys at the last minute pays 190');
            $this->press($owner, 'Save the promise');
            $this->seeText($owner, 'It is promised.');

            // A shorter deadline breaks it: that is said before anything goes live, and can be looked at.
            $deadline = $this->askApi($owner, 'GET', "funnels/{$funnel}")['deadlines'][0];
            $this->askApi($owner, 'PUT', "parts/{$deadline['id']}", ['revision' => $deadline['revision'],
                'duration' => ['days' => 1, 'time' => '20:00']]);
            $owner->get(self::$studio."/studio/funnels/{$funnel}");
            $this->press($owner, 'Publish version 1');
            $this->seeText($owner, 'A promise would not hold any more:');
            $this->seeText($owner, 'Whoever buys at the last minute pays 190');
            $this->seeText($owner, '“Introductory price” ends on');
            $this->press($owner, 'Show me', '[data-test=promise] button');
            $this->seeText($owner, 'What do they do next?');
            $this->seeText($owner, 'Wren Holloway');
            $this->press($owner, 'All ways');
            $this->seeText($owner, 'Kinds of people');
            self::assertSame([], $this->sql("select count(*) from people where first_name = 'Wren'") > 0 ? ['stored'] : []);
        });
    }
}
