<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** The page desk as a coach uses it: from a starter to a long page with a footer shared by all pages, fixed and published. */
final class PageDeskTest extends BrowserTestCase
{
    private function newFunnel(RemoteWebDriver $b, string $goal = 'waiting-list', string $name = 'Autumn list'): string
    {
        $this->signIn($b);

        return $this->makeFunnel($b, $name, goal: $goal);
    }

    private function openPage(RemoteWebDriver $b, string $funnel, int $position = 0): void
    {
        $id = (string) $this->sql("select id from draft_parts where kind = 'page' and funnel_id = '{$funnel}' "
            ."and position = {$position} and removed is null");
        $b->get(self::$studio."/studio/funnels/{$funnel}/page/{$id}");
        $this->find($b, 'iframe[data-ready=true]');
    }

    /** Runs a script inside the frame of the page, or of the designs. */
    private function inFrame(RemoteWebDriver $b, string $script, string $frame = 'iframe[data-ready=true]'): mixed
    {
        $b->switchTo()->frame($this->find($b, $frame));
        try {
            return $b->executeScript($script);
        } finally {
            $b->switchTo()->defaultContent();
        }
    }

    private function waitInFrame(RemoteWebDriver $b, string $script, string $what, string $frame = 'iframe[data-ready=true]'): void
    {
        $this->waitFor($b, fn (): bool => (bool) $this->inFrame($b, $script, $frame), $what);
    }

    /** @return array<string, mixed> */
    private function document(string $funnel, int $position = 0): array
    {
        return (array) json_decode((string) $this->sql("select json_extract(definition, '$.document') from draft_parts where kind = "
            ."'page' and funnel_id = '{$funnel}' and position = {$position} and removed is null"), true);
    }

    private function addSection(RemoteWebDriver $b, string $kind, string $design): void
    {
        $this->press($b, $kind, '[role=dialog] nav button');
        $this->waitInFrame($b, "return !!document.querySelector('[data-section^=\"{$design}_\"] .choice-name')", "the designs for {$kind}",
            'iframe[title=Designs]');
        // The click takes the frame away, so it is left to happen by itself.
        $this->inFrame($b, "setTimeout(() => document.querySelector('[data-section^=\"{$design}_\"]').click())", 'iframe[title=Designs]');
        $this->waitFor($b, fn (): bool => count($b->findElements(WebDriverBy::cssSelector('[role=dialog]'))) === 0, 'it is chosen');
    }

    public function test_a_short_page_grows_gets_a_shared_footer_is_fixed_and_published(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $funnel = $this->newFunnel($b);
            $this->openPage($b, $funnel);

            // A section from the page itself, by its button; then words typed into it.
            $this->inFrame($b, "document.querySelector('.lantern-add').click()");
            $this->addSection($b, 'About the host', 'host-left');
            $this->waitInFrame($b,
                "return document.querySelectorAll('[data-section]').length === 4 && "
                    ."document.querySelectorAll('[data-section]')[1].className.includes('k-host')",
                'the section stands below the first one');
            $this->inFrame($b, "const h = document.querySelectorAll('[data-section]')[1]; h.querySelector('h2').focus(); "
                ."h.querySelector('h2').textContent = 'I am Imke'; h.querySelector('h2').dispatchEvent(new InputEvent('input', { "
                    ."bubbles: true }));
                const t = h.querySelector('.text'); t.focus(); t.innerHTML = 'I teach <b>adults</b>.';
                    t.dispatchEvent(new InputEvent('input', { bubbles: true })); t.blur()");
            $this->waitFor($b, fn (): bool => str_contains((string) json_encode($this->document($funnel)), 'I teach <b>adults<\/b>.'),
                'the words are saved');

            // A picture of her own, with words for those who cannot see it.
            $this->inFrame($b, "document.querySelector('[data-empty=picture]').click()");
            $this->press($b, 'Choose a picture');
            $this->waitFor($b, fn () => $b->findElement(WebDriverBy::cssSelector('[role=dialog] input[type=file]')), 'a place to bring it')
                ->setFileDetector(new LocalFileDetector)->sendKeys(dirname(__DIR__, 2).'/database/demo/media/music-room.png');
            $this->waitInFrame($b,
                "const i = document.querySelector('[data-section] .figure img'); return i && i.complete && i.naturalWidth > 0",
                'the picture is on the page');
            $this->fill($b, 'What does it show?', 'A cello in a room with a window');
            $this->waitFor($b, fn (): bool => str_contains((string) json_encode($this->document($funnel)), 'A cello in a room'),
                'its description is saved');

            // The footer is shared and shown on all pages.
            $this->press($b, 'The section');
            $this->press($b, 'The page');
            $this->press($b, 'Ferncroft Cello Room · You can', 'ol button');
            $this->press($b, 'Share it');
            $this->fill($b, 'Private name', 'My footer');
            $this->press($b, 'Share it', '[role=dialog] button');
            $this->press($b, 'Show on all pages');
            $this->seeText($b, '“My footer” stands on one more page.');
            $this->waitFor($b, fn (): bool => ($this->document($funnel, 1)['sections'][1]['shared'] ?? '') !== '',
                'the other page shows it too');
            $this->waitInFrame($b, "return document.querySelector('[data-shared] .text') !== null", 'the shared section is drawn');
            $this->inFrame($b, "const f = document.querySelector('[data-shared] .text'); f.focus(); f.innerHTML = 'Ferncroft Yard, "
                ."Exampleton'; f.dispatchEvent(new InputEvent('input', { bubbles: true })); f.blur()");
            $this->waitFor($b, fn (): bool => str_contains((string) $this->sql('select definition from draft_parts where kind = '
                ."'shared-section' and funnel_id = '{$funnel}'"), 'Ferncroft Yard'), 'it is saved once');

            // A look; a colour of the words that cannot be read; the check fixes it.
            $b->getKeyboard()->sendKeys(WebDriverKeys::ESCAPE);
            $this->openPage($b, $funnel);
            $this->press($b, 'Look', '[role=tab]');
            $this->press($b, 'Lagoon', '[role=radio]');
            $this->waitInFrame($b, "return getComputedStyle(document.body).backgroundColor === 'rgb(15, 61, 76)'", 'the page wears it');
            $this->press($b, 'Sections', '[role=tab]');
            $this->press($b, 'I am Imke', 'ol button');
            $this->choose($b, 'Background', 'A colour');
            $this->waitInFrame($b, "return document.querySelectorAll('[data-section]')[1].style.background !== ''",
                'the section has a ground of its own');
            $b->executeScript('const i = [...document.querySelectorAll("label")].find(l => l.innerText.trim() === "Text colour")'
                .'.querySelector("input"); i.value = "#ffb050"; i.dispatchEvent(new Event("input", { bubbles: true }))');
            $this->press($b, 'The page');
            $this->press($b, 'Check', '[role=tab]');
            $this->seeText($b, 'cannot be read well here');
            $this->press($b, 'Choose a readable colour');
            $this->seeText($b, 'No problems found on this page.');

            $this->press($b, 'Publish version 1');
            $this->press($b, 'Make it live');
            $this->find($b, '[data-test=public-url]');
            $address = (string) $this->sql("select address from funnels where id = '{$funnel}'");
            $stranger = $this->browser(375, 740);
            $stranger->get(self::$site."/{$address}");
            $this->seeText($stranger, 'I am Imke');
            $this->seeText($stranger, 'Ferncroft Yard, Exampleton');
            self::assertSame(375, $stranger->executeScript('return document.documentElement.scrollWidth'));
            self::assertSame('A cello in a room with a window',
                $stranger->findElement(WebDriverBy::cssSelector('.figure img'))->getAttribute('alt'));
            $stranger->get(self::$site."/{$address}/thank-you");
            $this->seeText($stranger, 'Ferncroft Yard, Exampleton');
        });
    }

    public function test_sections_are_moved_doubled_hidden_copied_and_removed_by_mouse_and_keyboard_and_all_of_it_is_undone(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $funnel = $this->newFunnel($b, name: 'Moves');
            $this->openPage($b, $funnel);
            $kinds = fn (): array => array_column($this->document($funnel)['sections'], 'kind');
            self::assertSame(['opening', 'learn', 'footer'], $kinds());

            $this->byWords($b, 'What the list is good for', 'ol button')->sendKeys([WebDriverKeys::ALT, WebDriverKeys::ARROW_UP]);
            $this->waitFor($b, fn (): bool => $kinds() === ['learn', 'opening', 'footer'], 'moved by the keyboard');
            $this->waitInFrame($b,
                "return document.querySelector('[data-section]').className.includes('k-learn') && document.querySelector('h1').innerText "
                    ."=== 'What the list is good for'", 'and the first heading is the main one');
            $this->press($b, 'Undo');
            $this->waitFor($b, fn (): bool => $kinds() === ['opening', 'learn', 'footer'], 'and back');

            $handles = $b->findElements(WebDriverBy::cssSelector('ol .handle'));
            (new WebDriverActions($b))->clickAndHold($handles[0])->moveByOffset(0, 12)->perform();
            // Held over the second one until it makes room.
            $below = 6;
            $this->waitFor($b, function (RemoteWebDriver $b) use ($handles, &$below): bool {
                // Looked at before it is moved again: what has made room stands elsewhere, and a move to there would take it back.
                $first = (string) $b->executeScript('return document.querySelector("aside ol li").innerText');
                if (str_starts_with($first, 'What the list')) {
                    return true;
                }
                $below = 20 - $below;
                (new WebDriverActions($b))->moveToElement($handles[1], 0, $below)->perform();

                return false;
            }, 'it makes room');
            (new WebDriverActions($b))->release()->perform();
            $this->waitFor($b, fn (): bool => $kinds() === ['learn', 'opening', 'footer'], 'moved by the mouse');
            $this->press($b, 'Undo');
            $this->waitFor($b, fn (): bool => $kinds() === ['opening', 'learn', 'footer'], 'and back again');

            $this->press($b, 'What the list is good for', 'ol button');
            $this->press($b, 'Duplicate');
            $this->waitFor($b, fn (): bool => $kinds() === ['opening', 'learn', 'learn', 'footer'], 'doubled');
            $this->choose($b, 'Shown', 'Not on phones');
            $this->waitFor($b, fn (): bool => ($this->document($funnel)['sections'][2]['hidden'] ?? '') === 'phone', 'hidden on phones');
            $this->press($b, 'Copy');
            $this->press($b, 'Paste below');
            $this->waitFor($b, fn (): bool => $kinds() === ['opening', 'learn', 'learn', 'learn', 'footer'], 'pasted');
            $this->press($b, 'Remove');
            $this->waitFor($b, fn (): bool => $kinds() === ['opening', 'learn', 'learn', 'footer'], 'removed');
            $this->waitInFrame($b, "return document.querySelectorAll('[data-section]').length === 4", 'on the page as well');
            $this->press($b, 'Undo', '[role=status] button');
            $this->waitFor($b, fn (): bool => $kinds() === ['opening', 'learn', 'learn', 'learn', 'footer'], 'and brought back');
            $this->waitInFrame($b, "return document.querySelectorAll('[data-section]').length === 5", 'on the page too');

            // Another design: the same words.
            $this->press($b, 'What the list is good for', 'ol button');
            $this->press($b, 'Numbered steps');
            $this->waitInFrame($b,
                "const s = document.querySelectorAll('[data-section]')[1]; return s.querySelector('ol.points.steps') && "
                    ."s.innerText.includes('A say in it')", 'drawn in the new design');
            $this->waitFor($b, fn (): bool => ($this->document($funnel)['sections'][1]['blocks'][1]['style'] ?? '') === 'steps',
                'and saved');
        });
    }

    public function test_phones_get_another_shared_section_in_one_step(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $funnel = $this->newFunnel($b, name: 'Two footers');
            $this->openPage($b, $funnel);
            $footers = fn (): array => array_map(fn (array $s): array => [$s['shared'] ?? '', $s['hidden'] ?? ''],
                array_values(array_filter($this->document($funnel)['sections'], fn (array $s): bool => $s['kind'] === 'footer')));
            $share = function (string $name) use ($b): string {
                $this->press($b, 'Share it');
                $this->fill($b, 'Private name', $name);
                $this->press($b, 'Share it', '[role=dialog] button');
                $this->seeText($b, "“{$name}” is shared.");

                return (string) $this->sql("select id from draft_parts where kind = 'shared-section' and name = '{$name}'");
            };

            $this->press($b, 'Ferncroft Cello Room · You can', 'ol button');
            $long = $share('Long footer');
            $this->press($b, 'Duplicate');
            $this->press($b, 'Make a copy for this page');
            $short = $share('Short footer');
            $this->waitFor($b, fn (): bool => $footers() === [[$long, ''], [$short, '']], 'two shared footers, one below the other');
            $this->press($b, 'Remove');
            $this->press($b, 'Ferncroft Cello Room · You can', 'ol button');
            $this->choose($b, 'On phones', 'Short footer');
            $this->waitFor($b, fn (): bool => $footers() === [[$long, 'phone'], [$short, 'desktop']], 'the short one stands in on phones');
            $offers = $b->findElements(WebDriverBy::xpath('//*[@role="status"]//button[normalize-space(.)="Undo"]'));
            self::assertSame([], $offers, 'what was removed before is not offered back any more: Undo would take back this step');
            $this->waitInFrame($b,
                "return [...document.querySelectorAll('[data-shared]')].map(s => getComputedStyle(s).opacity).join() === '1,0.35'",
                'the desk at its full width fades the one for phones alone');
            $this->press($b, 'Phone');
            $this->waitInFrame($b,
                "return [...document.querySelectorAll('[data-shared]')].map(s => getComputedStyle(s).opacity).join() === '0.35,1'",
                'and at the width of a phone the other one');
            $this->press($b, 'Undo');
            $this->waitFor($b, fn (): bool => $footers() === [[$long, '']], 'one step back');
        });
    }

    public function test_pages_come_and_go_and_ways_are_chosen_on_the_timeline(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $funnel = $this->newFunnel($b, 'sell', 'Selling');
            $this->press($b, 'time ran out', 'section[aria-label=Timeline] button');
            $this->choose($b, 'Those whose time ran out go to', 'Delivery page');
            $this->waitFor($b, fn (): bool => $this->sql('select count(*) from ways w join draft_parts p on p.id = w.to_page where '
                ."w.outcome = 'time-ran-out' and json_extract(p.definition, '$.role') = 'delivery'") === 1, 'the way is saved');
            $this->press($b, 'Done');

            $this->addToFunnel($b, 'Add a page');
            $this->press($b, 'Thank-you page', '[role=dialog] button');
            $this->find($b, 'iframe[data-ready=true]');
            $this->seeText($b, '“Thank-you page” is in the draft.');
            $this->press($b, 'Page', '[role=tab]');
            $this->fill($b, 'Private name', 'After all');
            $this->waitFor($b, fn (): bool => (int) $this->sql("select count(*) from draft_parts where kind = 'page' and name = 'After "
                ."all'") === 1, 'renamed');
            $this->press($b, 'Remove');
            $this->seeText($b, '“After all” is removed from the draft.');
            $this->press($b, 'Undo', '[role=status] button');
            $this->waitFor($b, fn (): bool => (int) $this->sql("select count(*) from draft_parts where kind = 'page' and name = 'After "
                ."all' and removed is null") === 1, 'and brought back');

            // The check says what is missing, and leads to the very place.
            $this->press($b, 'Publish version 1');
            $this->seeText($b, '“A private hour” has no price yet.');
            $this->press($b, 'Open the offer');
            self::assertSame('', $this->field($b, 'Price')->getAttribute('value'));
        });
    }

    public function test_text_is_set_bold_linked_coloured_and_filled_with_fields(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $funnel = $this->newFunnel($b, name: 'Marks');
            $this->openPage($b, $funnel);
            $select = "const t = document.querySelector('.text'); t.focus(); t.innerHTML = 'one two three'; t.dispatchEvent(new "
                ."InputEvent('input', { bubbles: true })); const r = document.createRange(); r.setStart(t.firstChild, 4); "
                    .'r.setEnd(t.firstChild, 7); getSelection().removeAllRanges(); getSelection().addRange(r)';
            $html = fn (): string => (string) ($this->document($funnel)['sections'][0]['blocks'][2]['html'] ?? '');

            $this->inFrame($b, $select);
            $this->press($b, 'Bold');
            $this->waitFor($b, fn (): bool => $html() === 'one <b>two</b> three', 'bold');
            $this->inFrame($b, $select);
            $this->press($b, 'Colour');
            $this->waitFor($b, fn (): bool => $html() === 'one <span class="in-accent">two</span> three', 'in a colour of the look');
            $this->inFrame($b, $select);
            $this->press($b, 'Link');
            $this->choose($b, 'The selected text leads to', 'Page: Thank-you page');
            $this->waitFor($b, fn (): bool => preg_match('~^one <a href="page:\w{26}">two</a> three$~', $html()) === 1,
                'linked to a page, without an address');
            $this->inFrame($b, "const t = document.querySelector('.text'); t.focus(); const r = document.createRange(); "
                .'r.selectNodeContents(t); r.collapse(false); getSelection().removeAllRanges(); getSelection().addRange(r)');
            $this->press($b, 'Insert a merge field');
            $this->press($b, 'First name', '[role=menuitem]');
            $this->waitFor($b, fn (): bool => str_contains($html(), '{{first_name|friend}}'), 'with the reader’s name');
            // It is read as it will be, and another one by a press.
            $this->waitInFrame($b, "return document.querySelector('.text .lantern-merge')?.textContent === 'Robin'", 'as a chip');
            $this->inFrame($b, "document.querySelector('.text .lantern-merge').click()");
            $this->fill($b, 'Where nothing is known', 'cellist');
            $this->waitFor($b, fn (): bool => str_contains($html(), '{{first_name|cellist}}'), 'with another fallback');
            $this->press($b, 'Done');
            $this->press($b, 'As Robin reads it');
            $this->waitInFrame($b, "return document.body.innerText.includes('Robin') && !document.querySelector('[contenteditable]')",
                'as it will be read');
        });
    }

    public function test_two_windows_on_one_page_do_not_overwrite_each_other(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $funnel = $this->newFunnel($b, name: 'Windows');
            $this->openPage($b, $funnel);
            $second = $this->browser();
            $this->signIn($second);
            $this->openPage($second, $funnel);
            $type = fn (string $words): string => "const h = document.querySelector('h1'); h.focus(); h.textContent = '{$words}'; "
                ."h.dispatchEvent(new InputEvent('input', { bubbles: true }))";
            $this->inFrame($second, $type('From the second'));
            $this->waitFor($second, fn (): bool => str_contains((string) json_encode($this->document($funnel)), 'From the second'),
                'the second window saves');
            $this->inFrame($b, $type('From the first'));
            $this->seeText($b, 'This was changed in another window.');
            self::assertStringContainsString('From the first',
                (string) $this->inFrame($b, "return document.querySelector('h1').innerText"));
            self::assertStringContainsString('From the second', (string) json_encode($this->document($funnel)), 'nothing is overwritten');
            $this->press($b, 'Load the newer one');
            $this->waitInFrame($b, "return document.querySelector('h1').innerText === 'From the second'", 'the newer one is here');
        });
    }
}
