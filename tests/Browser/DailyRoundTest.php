<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;

/** What a coach does in five minutes a day, and what happens to their visitors. */
final class DailyRoundTest extends BrowserTestCase
{
    private function funnel(RemoteWebDriver $b, string $name, bool $live): string
    {
        $b->get(self::$studio.'/studio/funnels/new');
        $this->press($b, 'Give something away');
        $this->fill($b, 'Private name', $name);
        $this->fill($b, 'What is the lead magnet called?', $name);
        $b->findElement(WebDriverBy::cssSelector('input[type=file]'))->setFileDetector(new LocalFileDetector)->sendKeys($this->pdf());
        $this->press($b, 'Make the funnel');
        $this->press($b, 'Publish version 1');
        if ($live) {
            $this->press($b, 'Make it live');
            $this->find($b, '[data-test=public-url]');
        }

        return (string) $this->sql("select address from funnels where name = '{$name}'");
    }

    public function test_funnels_are_found_archived_restored_and_duplicated(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->signIn($b);
            $address = $this->funnel($b, 'Alpha', true);
            $this->funnel($b, 'Beta', false);
            $b->get(self::$studio.'/studio/funnels');
            $this->seeText($b, 'Beta');
            $this->press($b, 'Live');
            $this->waitFor($b, fn (): bool => count($b->findElements(WebDriverBy::cssSelector('tbody tr'))) === 1,
                'only the live one is shown');
            $this->press($b, 'All');
            $this->find($b, 'input[type=search]')->sendKeys('bet');
            $this->waitFor($b, fn (): bool => count($b->findElements(WebDriverBy::cssSelector('tbody tr'))) === 1,
                'only the one searched for is shown');
            $this->retype($this->find($b, 'input[type=search]'), 'nothing like it');
            $this->seeText($b, 'No funnel is called “nothing like it” here.');
            $this->press($b, 'Show all');

            $this->press($b, 'Actions for Alpha');
            $this->press($b, 'Archive', '[role=menuitem]');
            $this->seeText($b, '“Alpha” is archived, and its pages are off the web.');
            $stranger = $this->browser();
            $stranger->get(self::$site.'/'.$address);
            $this->seeText($stranger, 'There is no page at this address');
            $this->press($b, 'Undo', '[role=status] button');
            $this->waitFor($b, fn (): bool => count($b->findElements(WebDriverBy::cssSelector('tbody tr'))) === 2, 'it is back');
            $stranger->get(self::$site.'/'.$address);
            $this->find($stranger, 'form button');

            $this->press($b, 'Actions for Alpha');
            $this->press($b, 'Duplicate', '[role=menuitem]');
            $this->seeText($b, 'Alpha (copy)');
        });
    }

    public function test_a_page_gets_a_picture_behind_it_and_its_outcome_another_end(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->signIn($b);
            $address = $this->funnel($b, 'Gamma', false);
            $this->press($b, 'Not yet');
            $this->find($b, 'section[aria-label=Timeline] [data-page]')->click();
            $this->find($b, 'iframe[data-ready=true]');
            $this->press($b, 'Look', '[role=tab]');
            $this->choose($b, 'Background', 'A picture');
            $this->press($b, 'Choose a picture', '[aria-label=Picture] button');
            $wrong = self::$folder.'/not-a-picture.png';
            file_put_contents($wrong, 'words');
            $bring = fn (string $path) => $this->waitFor($b,
                fn () => $b->findElement(WebDriverBy::cssSelector('[role=dialog] input[type=file]')), 'a place for the picture')
                ->setFileDetector(new LocalFileDetector)->sendKeys($path);
            $bring($wrong);
            $this->seeText($b, 'A picture is a PNG, JPEG, WebP or GIF file.');
            $bring(dirname(__DIR__, 2).'/database/demo/media/music-room.png');
            $this->waitFor($b, fn (): bool => preg_match('/"fill":"picture","picture":"\w{26}"/',
                (string) $this->sql("select json_extract(definition, '$.document') from draft_parts where kind = 'page' and "
                    ."json_extract(definition, '$.address') = '' order by id desc")) === 1, 'the background is saved');

            $this->press($b, 'Page', '[role=tab]');
            $this->choose($b, 'Those who joined go to', 'An outside web address');
            $this->retype($this->field($b, 'Web address'), 'nowhere');
            $this->press($b, 'Set');
            $this->seeText($b, 'A web address begins with https://.');
            $this->retype($this->field($b, 'Web address'), self::$site.'/up?from=gamma');
            $this->press($b, 'Set');
            $this->waitFor($b, fn (): bool => (int) $this->sql("select count(*) from ways where to_url like '%from=gamma'") === 1,
                'the way is saved');

            $this->press($b, 'Publish version 1');
            $this->seeText($b, 'No way leads to “Thank-you page”');
            $this->press($b, 'Make it live');
            $this->find($b, '[data-test=public-url]');
            $phone = $this->browser(320, 640);
            $phone->get(self::$site.'/'.$address);
            $this->waitFor($phone,
                fn (): bool => (bool) $phone->executeScript('const i = document.querySelector(".backdrop img"); return i.complete && '
                    .'i.naturalWidth > 0'), 'the picture is there');
            self::assertSame(320, $phone->executeScript('return document.documentElement.scrollWidth'));
            $this->fill($phone, 'Email address', 'robin@example.com');
            $this->press($phone, 'Send it to me');
            $this->waitFor($phone, fn (): bool => str_contains($phone->getCurrentURL(), '/up?from=gamma'), 'they are led outside');
        });
    }

    public function test_settings_are_changed_refused_and_undone(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->signIn($b);
            $b->get(self::$studio.'/studio/settings');
            $saved = fn (): mixed => $this->sql('select sender_address from businesses');
            $this->fill($b, 'Sender address', 'not an address');
            $this->seeText($b, 'This does not look like an email address.');
            self::assertSame('not an address', $this->field($b, 'Sender address')->getDomProperty('value'));
            $this->fill($b, 'Sender address', 'hello@ferncroft.example');
            $this->waitFor($b, fn (): bool => $saved() === 'hello@ferncroft.example', 'it is saved by itself');
            $this->seeText($b, 'Everything is saved');
            $this->waitFor($b, function (RemoteWebDriver $b) use ($saved): bool {
                $b->executeScript('document.querySelector("[aria-label=Undo]:not(:disabled)")?.click()');

                return $saved() === 'imke@ferncroft.example';
            }, 'step by step it is as it was');

            $this->press($b, 'Your account');
            $this->press($b, 'Sign out', '[role=menuitem]');
            $this->seeText($b, 'Welcome back');
            $this->fill($b, 'Email address', 'imke@ferncroft.example');
            $this->fill($b, 'Password', 'wrong');
            $this->press($b, 'Sign in');
            $this->seeText($b, 'This address and password do not go together.');
        });
    }

    public function test_a_reader_unsubscribes_and_the_coach_sees_it(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->signIn($b);
            $address = $this->funnel($b, 'Delta', true);
            $plain = $this->browser(375, 740);
            $plain->get(self::$site.'/'.$address);
            $this->fill($plain, 'Email address', 'wren@example.com');
            $plain->findElement(WebDriverBy::cssSelector('form button'))->click();
            $this->waitFor($plain, fn (): bool => $plain->findElement(WebDriverBy::cssSelector('h1'))->getText() === 'It is yours, friend.',
                'the thank-you page');
            self::assertSame('Download it now', $plain->findElement(WebDriverBy::cssSelector('.download a'))->getText());

            $this->waitFor($plain,
                fn (): bool => (int) $this->sql("select count(*) from messages where to_address = 'wren@example.com' and "
                    ."state = 'sent'") === 1, 'the email is sent');
            preg_match('~Unsubscribe: (\S+)~', (string) $this->sql("select text from messages where to_address = 'wren@example.com'"), $m);
            $plain->get($m[1]);
            $plain->findElement(WebDriverBy::cssSelector('form button[value=all]'))->click();
            $this->waitFor($plain, fn (): bool => $plain->findElement(WebDriverBy::cssSelector('h1'))->getText() === 'You are unsubscribed',
                'it is done');
            $b->get(self::$studio.'/studio/people');
            $this->seeText($b, 'unsubscribed');
        });
    }
}
