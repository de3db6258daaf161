<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Symfony\Component\Process\Process;

/**
 * From a form to a history: double opt-in, a sequence with a branch, a list with mistakes, an email to a segment, one person through it
 * all.
 */
final class EmailsTest extends BrowserTestCase
{
    private function live(RemoteWebDriver $b, string $name): string
    {
        $this->signIn($b);
        $b->get(self::$studio.'/studio/funnels/new');
        $this->press($b, 'Give something away');
        $this->fill($b, 'Private name', $name);
        $this->fill($b, 'What is the lead magnet called?', "{$name} plan");
        $b->findElement(WebDriverBy::cssSelector('input[type=file]'))->setFileDetector(new LocalFileDetector)->sendKeys($this->pdf());
        $this->press($b, 'Make the funnel');
        $this->byWords($b, 'Publish version 1');

        return (string) $this->sql("select id from funnels where name = '{$name}'");
    }

    private function publish(RemoteWebDriver $b): void
    {
        $this->press($b, 'Publish version');
        $this->press($b, 'Make it live');
        $this->find($b, '[data-test=public-url]');
        $this->press($b, 'Close this');
    }

    /** Lets what is due go out, however far in the future it is. */
    private function pass(string $where): void
    {
        $this->sql("update messages set due_at = '2020-01-01 00:00:00.000' where state = 'waiting' and {$where}");
        self::artisan('lantern:due');
        $this->sql('pragma wal_checkpoint');
    }

    private function type(RemoteWebDriver $b, string $words): void
    {
        $letter = $this->find($b, '.email-text');
        $letter->click();
        $letter->sendKeys([WebDriverKeys::CONTROL, WebDriverKeys::END])->sendKeys([WebDriverKeys::NULL, $words]);
    }

    public function test_email_only_with_double_opt_in_and_a_sequence_of_five_with_a_branch(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $funnel = $this->live($b, 'Branches');
            $form = (string) $this->sql("select id from draft_parts where kind = 'form' and funnel_id = '{$funnel}'");
            $b->get(self::$studio."/studio/funnels/{$funnel}/form/{$form}");
            $this->press($b, 'Remove “First name”');
            $this->press($b, 'Ask them to confirm the address by email', '[role=switch], label');
            $this->fill($b, 'Heading of the page that says so', 'Nearly there');
            $this->waitFor($b, fn (): bool => str_contains((string) $this->sql("select definition from draft_parts where kind = 'form' "
                ."and id = '{$form}'"), 'Nearly there'), 'the form is saved');

            $sequence = (string) $this->sql("select id from draft_parts where kind = 'sequence' and funnel_id = '{$funnel}'");
            foreach (['The chair', 'For those who looked', 'For the others', 'The end'] as $i => $name) {
                $b->get(self::$studio."/studio/funnels/{$funnel}/sequence/{$sequence}");
                $this->press($b, 'Add an email');
                $this->find($b, '.email-text');
                $this->fill($b, 'Private name', $name);
                $this->fill($b, 'Subject', "{$name}: an email");
                $this->type($b, "Some words about {$name} that are worth reading on a quiet evening.");
                if ($i === 1 || $i === 2) {
                    $this->press($b, 'Only those who …');
                    $this->choose($b, 'What the rule is about', 'What they did');
                    $this->choose($b, 'What they did or did not do', $i === 1 ? 'clicked in' : 'did not click in');
                    $this->choose($b, 'With what', 'Welcome email');
                }
                $this->waitFor($b, fn (): bool => str_contains((string) $this->sql("select json_extract(definition, '$.body') from "
                    ."draft_parts where kind = 'email' and name = '{$name}'"), 'quiet evening')
                    && ($i === 0 || $i === 3
                        || str_contains((string) $this->sql("select json_extract(definition, '$.only') from draft_parts where kind = "
                            ."'email' and name = '{$name}'"), 'clicked')), "{$name} is saved");
            }
            $this->seeText($b, 'As Robin Sample reads it');
            $b->get(self::$studio."/studio/funnels/{$funnel}/sequence/{$sequence}");
            $this->byWords($b, 'The chair', 'table a')->sendKeys([WebDriverKeys::ALT, WebDriverKeys::ARROW_DOWN]);
            $this->waitFor($b, fn (): bool => (string) $this->sql("select json_extract(definition, '$.timing.days') from draft_parts where "
                ."kind = 'email' and name = 'The chair'") === '2', 'the email is moved a day on');
            $this->press($b, 'Undo');
            // Off and on again: emails go out on every day, so that it does not matter on which this is run.
            foreach (['[1,2,3,4,5]', ''] as $days) {
                $this->press($b, 'Sat');
                $this->press($b, 'Sun');
                $this->waitFor($b, fn (): bool => (string) $this->sql("select json_extract(definition, '$.window.days') from draft_parts "
                    ."where kind = 'sequence' and id = '{$sequence}'") === $days, 'the days are saved');
            }
            $this->publish($b);

            $stranger = $this->browser(375, 740);
            $stranger->get(self::$site.'/'.$this->sql("select address from funnels where id = '{$funnel}'"));
            self::assertSame([], $stranger->findElements(WebDriverBy::name('first_name')));
            $this->fill($stranger, 'Email address', 'warm@example.com');
            $this->press($stranger, 'Send it to me');
            $this->seeText($stranger, 'Nearly there');
            $this->seeText($stranger, 'warm@example.com');
            $this->waitFor($b,
                fn (): bool => (int) $this->sql("select count(*) from messages where kind = 'confirm' and state = 'sent'") === 1,
                'the question is sent');
            self::assertSame(1, (int) $this->sql('select count(*) from messages'), 'and nothing else');
            preg_match('~(http://127\.0\.0\.1:\d+/c/\S+)~', (string) $this->sql("select text from messages where kind = 'confirm'"), $m);
            $stranger->get($m[1]);
            $this->press($stranger, 'Yes, this is my address');
            $this->seeText($stranger, 'Download it now');
            $this->waitFor($b, fn (): bool => (string) $this->sql("select state from messages where name = 'Welcome email'") === 'sent',
                'the welcome is sent');
            preg_match('~href="(http://127\.0\.0\.1:\d+/l/[^"]+)"~',
                (string) $this->sql("select html from messages where name = 'Welcome email'"), $m);
            $stranger->executeScript('return fetch(arguments[0], { redirect: "manual" }).then(() => true)', [$m[1]]);
            self::assertSame(1, (int) $this->sql("select clicks from messages where name = 'Welcome email'"));
            $this->pass('1');
            $this->waitFor($b, fn (): bool => (int) $this->sql("select count(*) from messages where state in ('sent', 'cancelled') and "
                ."kind = 'sequence'") === 5, 'all five are decided');
            self::assertSame('For the others', (string) $this->sql("select group_concat(name) from messages where state = 'cancelled'"));

            $b->get(self::$studio.'/studio/people/'.$this->sql("select id from people where email = 'warm@example.com'"));
            foreach (['Confirmed the address', 'Was sent “For those who looked”', 'Left out: it is only for some readers',
                'Followed a link', 'gets emails', 'confirmed'] as $words) {
                $this->seeText($b, $words);
            }
            $b->get(self::$studio."/studio/funnels/{$funnel}");
            $this->press($b, 'List');
            $this->seeText($b, '100 % clicked');
            $this->seeText($b, 'to those for whom:');
        });
    }

    public function test_a_list_with_mistakes_becomes_a_segment_that_gets_an_email(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->signIn($b);
            $rows = ["E-Mail;First name;Level\r\n"];
            for ($i = 1; $i <= 1000; $i++) {
                $rows[] = ($i % 100 === 0 ? 'no address' : "list{$i}@example.org").";Person {$i};".($i % 4 === 0 ? 'Teacher' : '=Beginner')
                    ."\r\n";
            }
            file_put_contents(self::$folder.'/list.csv', implode('', $rows));
            $b->get(self::$studio.'/studio/people/imports');
            $this->seeText($b, 'Import a list');
            $b->findElement(WebDriverBy::cssSelector('input[type=file]'))->setFileDetector(new LocalFileDetector)
                ->sendKeys(self::$folder.'/list.csv');
            $this->seeText($b, '1,000 lines');
            $b->executeScript('const s = [...document.querySelectorAll("select")].at(-1); s.value = "+"; s.dispatchEvent(new '
                .'Event("change", { bubbles: true }))');
            $this->press($b, 'Import 1,000 lines');
            $this->seeText($b, 'Please confirm that these people agreed to hear from you.');
            $this->press($b, 'These people agreed to hear from me', 'label');
            $this->press($b, 'Import 1,000 lines');
            $this->seeText($b, 'All lines are read.');
            $this->seeText($b, 'no address;Person 100');
            self::assertSame('990', (string) $this->sql("select count(*) from people where email like 'list%'"));

            $b->get(self::$studio.'/studio/people');
            $this->press($b, 'Find people by rules');
            $this->press($b, 'Only those who …');
            $this->choose($b, 'What the rule is about', 'A field');
            $this->choose($b, 'Field', 'Level');
            $b->findElement(WebDriverBy::cssSelector('input[aria-label="With what"]'))->sendKeys('teacher');
            $this->seeText($b, '240 people fit');
            $this->find($b, 'input[aria-label="Name of the segment"]')->sendKeys('Teachers');
            $this->press($b, 'Save segment');
            $this->seeText($b, 'The segment “Teachers” is saved.');
            $this->press($b, 'Select everybody on this page', 'input');
            $this->press($b, 'Select all 240');
            $this->press($b, 'Add a tag');
            $this->fill($b, 'Tag', 'Staff room');
            $this->press($b, 'Yes, 240 people');
            $this->seeText($b, '240 people got the tag.');
            $this->press($b, 'Recent bulk actions');
            $this->press($b, 'Undo: Added the tag “Staff room” to 240 people');
            $this->seeText($b, 'undone');
            self::assertSame(0, (int) $this->sql('select count(*) from person_tag join tags on tags.id = tag_id where name = \'Staff '
                .'room\''));
            $this->press($b, 'Close this');

            $b->get(self::$studio.'/studio/emails/broadcasts');
            $this->press($b, 'Write a broadcast');
            $this->find($b, '.email-text p');
            $this->choose($b, 'Segment', 'Teachers');
            $this->fill($b, 'Subject', 'For teachers, {{first_name|friend}}');
            $this->type($b, 'A few words about lessons for grown-ups who take up the cello late in life.');
            $this->press($b, 'Send to 240 people');
            $this->press($b, 'Send it to 240 people');
            $this->seeText($b, 'It is on its way.');
            $this->sql('update businesses set messages_per_minute = 100000');
            self::artisan('lantern:due');
            $this->waitFor($b,
                fn (): bool => (int) $this->sql("select count(*) from messages where kind = 'broadcast' and state = 'sent'") === 240,
                'all are sent');
            self::assertSame('For teachers, Person 4',
                (string) $this->sql("select subject from messages where to_address = 'list4@example.org'"));
            self::artisan('lantern:due');
            $this->seeText($b, 'It went out');
            $b->get(self::$studio.'/studio/people/imports/'.$this->sql('select id from imports'));
            $this->press($b, 'Undo this import');
            $this->seeText($b, '240 people stay');
            self::assertSame('240', (string) $this->sql("select count(*) from people where email like 'list%'"),
                'whoever was written to stays');
        });
    }

    public function test_a_form_stands_on_another_web_site_in_its_own_style(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $funnel = $this->live($b, 'Elsewhere');
            $form = (string) $this->sql("select id from draft_parts where kind = 'form' and funnel_id = '{$funnel}'");
            $b->get(self::$studio."/studio/funnels/{$funnel}/form/{$form}");
            $this->fill($b, 'Text shown after, on other web sites', 'Thank you, look in your inbox.');
            $this->waitFor($b, fn (): bool => str_contains((string) $this->sql("select definition from draft_parts where kind = 'form' "
                ."and id = '{$form}'"), 'look in your inbox'), 'saved');
            $snippet = $this->find($b, '[data-test=snippet]')->getText();
            $this->publish($b);

            $port = Chrome::freePort();
            $folder = self::$folder.'/other';
            mkdir($folder);
            file_put_contents($folder.'/index.html',
                '<!doctype html><html lang=en><title>A blog</title><style>button { display: none !important } input { color: red '
                    ."}</style><main><h1>A blog</h1>{$snippet}<p>below</p></main>");
            $other = new Process([PHP_BINARY, '-S', "127.0.0.1:{$port}", '-t', $folder], timeout: null);
            $other->start();
            Chrome::waitForPort($port, $other);
            try {
                $reader = $this->browser(420, 800);
                $reader->get("http://127.0.0.1:{$port}/index.html?utm_source=blog");
                $inside = fn (string $script): mixed => $reader->executeScript('const root = [...document.querySelectorAll("*")].find(e '
                    .'=> e.shadowRoot)?.shadowRoot; if (!root) return null; '.$script);
                $this->waitFor($reader, fn (): bool => $inside('return root.querySelector("button.button")?.offsetWidth > 0') === true,
                    'the form is there, whatever the blog says of buttons');
                self::assertNotSame('rgb(255, 0, 0)', $inside('return getComputedStyle(root.querySelector("input[name=email]")).color'));
                $inside('root.querySelector("button.button").click()');
                $this->waitFor($reader, fn (): bool => str_contains((string) $inside('return root.textContent'),
                    'Please fill in your email address.'), 'one sentence');
                $inside('root.querySelector("input[name=email]").value = "blog@example.com"; root.querySelector("button.button").click()');
                $this->waitFor($reader, fn (): bool => str_contains((string) $inside('return root.textContent'),
                    'Thank you, look in your inbox.'), 'the words shown after');
                self::assertStringContainsString('"utm_source":"blog"',
                    (string) $this->sql("select source from submissions where funnel_id = '{$funnel}'"));
            } finally {
                $other->stop(2);
            }
        });
    }
}
