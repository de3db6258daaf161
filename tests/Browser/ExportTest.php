<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;

/** What is kept, shown to others, and taken along: own designs, own words, a preview, pages and funnels as files. */
final class ExportTest extends BrowserTestCase
{
    private function openPage(RemoteWebDriver $b, string $funnel): void
    {
        $id = (string) $this->sql("select id from draft_parts where kind = 'page' and funnel_id = '{$funnel}' and position = 0");
        $b->get(self::$studio."/studio/funnels/{$funnel}/page/{$id}");
        $this->find($b, 'iframe[data-ready=true]');
    }

    private function document(string $funnel): string
    {
        return (string) $this->sql("select json_extract(definition, '$.document') from draft_parts where kind = 'page' "
            ."and funnel_id = '{$funnel}' and position = 0");
    }

    public function test_a_section_and_a_page_are_kept_and_used_in_another_funnel(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->signIn($b);
            $first = $this->makeFunnel($b, 'The first');
            $this->openPage($b, $first);
            $this->byWords($b, 'What the list is good for', 'ol button')->click();
            $this->byWords($b, 'Save as design')->click();
            $this->fill($b, 'Private name', 'Good for lists');
            $this->byWords($b, 'Save')->click();
            $this->seeText($b, '“Good for lists” is saved.');
            $this->byWords($b, 'The page')->click();
            $this->byWords($b, 'Page', '[role=tab]')->click();
            $this->byWords($b, 'Save as design')->click();
            $this->fill($b, 'Private name', 'My opt-in page');
            $this->byWords($b, 'Save')->click();
            $this->seeText($b, '“My opt-in page” is saved.');

            $second = $this->makeFunnel($b, 'The second');
            $this->openPage($b, $second);
            $this->byWords($b, 'Add a section')->click();
            $this->byWords($b, 'Your own', '[role=dialog] nav button')->click();
            $this->waitFor($b, function (RemoteWebDriver $b): bool {
                $b->switchTo()->frame($this->find($b, 'iframe[title=Designs]'));
                try {
                    return (bool) $b->executeScript('const s = document.querySelector("[data-section] .choice-name"); if (s?.textContent '
                        .'=== "Good for lists") { setTimeout(() => s.click()); return true; } return false');
                } finally {
                    $b->switchTo()->defaultContent();
                }
            }, 'it stands among the designs');
            $this->waitFor($b, fn (): bool => substr_count($this->document($second), 'What the list is good for') === 2,
                'it is on the page');

            $b->get(self::$studio."/studio/funnels/{$second}");
            $this->byWords($b, 'Add a page')->click();
            $this->byWords($b, 'My opt-in page', '[role=dialog] button')->click();
            $this->find($b, 'iframe[data-ready=true]');
            $this->waitFor($b,
                fn (): bool => (int) $this->sql("select count(*) from draft_parts where kind = 'page' and funnel_id = '{$second}'") === 3,
                'the page is there');

            $b->get(self::$studio.'/studio/settings');
            $this->seeText($b, 'Your own designs');
            $this->byWords($b, 'Remove')->click();
            $this->seeText($b, 'is removed. Pages made from it stay as they are.');
            $this->byWords($b, 'Undo', '[role=status] button')->click();
            $this->waitFor($b, fn (): bool => (int) $this->sql('select count(*) from own_designs where deleted_at is null') === 2,
                'and kept again');
        });
    }

    public function test_own_merge_fields_stand_on_the_page_and_are_taken_back(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->signIn($b);
            $funnel = $this->makeFunnel($b, 'Words');
            $this->byWords($b, 'Your own merge fields')->click();
            $this->byWords($b, 'Add a word')->click();
            $this->fill($b, 'Name', 'My Programme');
            $this->fill($b, 'Text', 'First Season');
            $this->byWords($b, 'Save')->click();
            $this->seeText($b, 'The name of a field holds small letters');
            self::assertSame('First Season', $this->field($b, 'Text')->getAttribute('value'), 'what was typed is kept');
            $this->fill($b, 'Name', 'programme');
            $this->byWords($b, 'Save')->click();
            $this->waitFor($b, fn (): bool => $this->sql("select fields from funnels where id = '{$funnel}'") === '{"programme":"First '
                .'Season"}', 'kept');
            $this->byWords($b, 'Undo')->click();
            $this->waitFor($b, fn (): bool => in_array($this->sql("select fields from funnels where id = '{$funnel}'"), ['{}', '[]'], true),
                'taken back');
            $this->byWords($b, 'Redo')->click();
            $this->waitFor($b, fn (): bool => $this->sql("select fields from funnels where id = '{$funnel}'") === '{"programme":"First '
                .'Season"}', 'and done again');
        });
    }

    public function test_a_colleague_sees_the_draft_by_its_link(): void
    {
        $this->steps(function (): void {
            $b = $this->browser();
            $this->signIn($b);
            $this->makeFunnel($b, 'Shown');
            $this->byWords($b, 'Preview link')->click();
            $link = $this->find($b, '[data-test=preview-url]')->getText();
            $colleague = $this->browser(375, 740);
            $colleague->get($link);
            $this->seeText($colleague, 'Nothing you do here is stored.');
            $this->fill($colleague, 'Email address', 'wren@example.com');
            $this->byWords($colleague, 'Put me on the list')->click();
            $this->seeText($colleague, 'You are on the list, friend.');
            self::assertSame(0, (int) $this->sql('select count(*) from people'));
        });
    }

    public function test_a_funnel_goes_out_as_a_file_and_comes_in_again(): void
    {
        $this->steps(function (): void {
            $folder = self::$folder.'/downloads';
            mkdir($folder);
            $b = $this->browser(downloads: $folder);
            $this->signIn($b);
            $this->makeFunnel($b, 'Travels');
            $this->byWords($b, 'Export')->click();
            $this->byWords($b, 'The whole funnel', '[role=menuitem]')->click();
            $file = (string) $this->waitFor($b, fn (): mixed => current(array_filter(glob("{$folder}/*.zip") ?: [],
                fn (string $f): bool => filesize($f) > 0)), 'the file is there');
            self::assertMatchesRegularExpression('~first-season[\d-]*\.funnel\.zip$~', $file);

            $b->get(self::$studio.'/studio/funnels/new');
            $wrong = self::$folder.'/wrong.zip';
            file_put_contents($wrong, 'words');
            $bring = fn (string $path) => $this->waitFor($b,
                fn () => $b->findElement(WebDriverBy::cssSelector('[aria-label="Import an exported funnel"]')), 'a place to bring it')
                ->setFileDetector(new LocalFileDetector)->sendKeys($path);
            $bring($wrong);
            $this->seeText($b, 'This is no zip file, or a damaged one. Nothing was taken in.');
            $bring($file);
            $this->seeText($b, 'Travels (imported)');
            $this->byWords($b, 'Publish version 1')->click();
            $this->byWords($b, 'Make it live')->click();
            $this->find($b, '[data-test=public-url]');
        });
    }
}
