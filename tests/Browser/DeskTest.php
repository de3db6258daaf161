<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** Working on a funnel: words on the page itself, looks, form, emails, undo, versions. */
final class DeskTest extends BrowserTestCase
{
    private function newFunnel(RemoteWebDriver $b): void
    {
        $this->signIn($b);
        $this->makeFunnel($b, 'Autumn list');
    }

    private function onPage(RemoteWebDriver $b, callable $do): mixed
    {
        $frame = $this->find($b, 'iframe[data-ready=true]');
        $b->switchTo()->frame($frame);
        try {
            return $do();
        } finally {
            $b->switchTo()->defaultContent();
        }
    }

    private function headline(RemoteWebDriver $b): string
    {
        return $this->onPage($b, fn (): string => $this->find($b, 'h1')->getText());
    }

    public function test_text_is_typed_on_the_page_itself_saved_undone_and_published(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->newFunnel($b);
            $this->find($b, '[data-page]')->click();
            $this->onPage($b, fn () => $this->find($b, 'h1')->click());
            $this->onPage($b, fn () => $this->find($b, 'h1')->sendKeys([WebDriverKeys::CONTROL, 'a'])
                ->sendKeys('Twelve weeks, one <melody>'));
            $this->waitFor($b, fn (): bool => str_contains((string) $this->sql("select json_extract(definition, '$.document') from "
                ."draft_parts where kind = 'page' and json_extract(definition, '$.address') = ''"), 'Twelve weeks, one <melody>'),
                'it saves itself');
            $this->seeText($b, 'Everything is saved');

            // Undo brings the old words back, on the page and in the draft.
            $this->onPage($b, fn () => $this->find($b, 'h1')->sendKeys(WebDriverKeys::ESCAPE));
            $this->press($b, 'Undo');
            $this->waitFor($b, fn (): bool => $this->headline($b) === 'First Season: be the first to know', 'the old words are back');
            $this->press($b, 'Redo');
            $this->waitFor($b, fn (): bool => $this->headline($b) === 'Twelve weeks, one <melody>', 'and the new ones again');

            // A look for the whole funnel; the phone; nothing is public yet.
            $this->press($b, 'The page');
            $this->press($b, 'Look', '[role=tab]');
            $this->press($b, 'Graphite', '[role=radio]');
            $this->waitFor($b, fn (): bool => $this->onPage($b,
                fn () => $b->executeScript('return getComputedStyle(document.body).backgroundColor')) === 'rgb(23, 25, 29)',
                'the page wears the new look');
            $this->press($b, 'Phone');
            $this->waitFor($b, fn (): bool => $this->onPage($b, fn () => $b->executeScript('return innerWidth')) < 400,
                'the page is as wide as a phone');
            $address = (string) $this->sql('select address from funnels');
            $stranger = $this->browser();
            $stranger->get(self::$site."/{$address}");
            $this->seeText($stranger, 'There is no page at this address');

            $this->press($b, 'Publish version 1');
            $this->press($b, 'Make it live');
            $this->find($b, '[data-test=public-url]');
            $stranger->get(self::$site."/{$address}");
            $this->seeText($stranger, 'Twelve weeks, one <melody>');
        });
    }

    public function test_the_form_and_the_emails_are_edited_and_the_check_leads_to_what_is_missing(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->newFunnel($b);
            $funnel = basename((string) parse_url($b->getCurrentURL(), PHP_URL_PATH));
            $this->press($b, 'Waiting list form');
            $this->press($b, 'Remove “First name”');
            $this->fill($b, 'Text on the button', 'Tell me first');
            $this->waitFor($b, fn (): bool => str_contains((string) $this->sql("select definition from draft_parts where kind = 'form' "
                ."and funnel_id = '{$funnel}'"), '"button":"Tell me first"')
                && ! str_contains((string) $this->sql("select definition from draft_parts where kind = 'form' and funnel_id = '{$funnel}'"),
                    'first_name'), 'the form is saved');

            $this->press($b, 'Open the timeline');
            $this->addToFunnel($b, 'Add a follow-up');
            $this->find($b, '.email-text');
            $this->press($b, 'Publish version 1');
            $this->seeText($b, '“Follow-up, day 1” has no subject.');
            self::assertSame([], $b->findElements(WebDriverBy::xpath('//button[text()="Make it live"]')));
            $this->press($b, 'Open the email');
            $this->fill($b, 'Subject', 'A question, {{first_name|friend}}');
            $this->find($b, '.email-text')->click();
            $this->find($b, '.email-text')->sendKeys([WebDriverKeys::CONTROL, WebDriverKeys::END])
                ->sendKeys([WebDriverKeys::NULL, 'What would you like to play?']);
            $this->waitFor($b, fn (): bool => str_contains($this->find($b, '.subject-line')->getText(), 'A question, Robin'),
                'the subject reads as Robin reads it');
            $this->waitFor($b, fn (): bool => str_contains((string) $this->sql("select json_extract(definition, '$.body') from "
                ."draft_parts where kind = 'email' and name = 'Follow-up, day 1'"), 'What would you like to play?'), 'the email is saved');
            $this->press($b, 'Remove this email');
            $this->seeText($b, 'is removed from the draft');
            $this->press($b, 'Undo', '[role=status] button');
            $this->byWords($b, 'Follow-up, day 1');
            $this->press($b, 'Publish version 1');
            $this->press($b, 'Make it live');
            $this->find($b, '[data-test=public-url]');
        });
    }

    public function test_another_window_with_a_newer_draft_is_not_overwritten(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->newFunnel($b);
            $this->press($b, 'Waiting list form');
            $this->field($b, 'Text on the button');
            $path = (string) parse_url($b->getCurrentURL(), PHP_URL_PATH);
            $second = $this->browser();
            $this->signIn($second);
            $second->get(self::$studio.$path);
            $this->fill($second, 'Text on the button', 'From the second window');
            $this->waitFor($second,
                fn (): bool => (int) $this->sql("select count(*) from draft_parts where kind = 'form' and definition like '%From the "
                    ."second window%'") === 1, 'the second window saves');

            $this->fill($b, 'Text on the button', 'From the first window');
            $this->seeText($b, 'This was changed in another window.');
            self::assertSame('From the first window', $this->field($b, 'Text on the button')->getAttribute('value'));
            $this->press($b, 'Load the newer one');
            $this->waitFor($b, fn (): bool => $this->field($b, 'Text on the button')->getAttribute('value') === 'From the second window',
                'the newer one is here');
        });
    }

    public function test_find_anything_from_the_keyboard(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->newFunnel($b);
            $b->getKeyboard()->sendKeys([WebDriverKeys::CONTROL, 'k']);
            $this->find($b, '[role=dialog] [role=combobox]')->sendKeys('Autumn');
            $this->waitFor($b, fn (): bool => str_contains($this->find($b, '[role=listbox]')->getText(), 'Autumn list'),
                'the funnel is found');
            $b->getKeyboard()->sendKeys([WebDriverKeys::NULL, WebDriverKeys::ARROW_DOWN]);
            $b->getKeyboard()->sendKeys(WebDriverKeys::HOME);
            $b->getKeyboard()->sendKeys(WebDriverKeys::ENTER);
            $this->waitFor($b, fn ($b): bool => str_contains($b->getCurrentURL(), '/funnels/01')
                || str_contains($b->getCurrentURL(), '/funnels/'), 'it is opened');
            $this->find($b, 'h1');
        });
    }
}
