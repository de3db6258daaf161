<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use ZipArchive;

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
            $this->press($b, 'What the list is good for', 'ol button');
            $this->press($b, 'Save as design');
            $this->fill($b, 'Private name', 'Good for lists');
            $this->press($b, 'Save');
            $this->seeText($b, '“Good for lists” is saved.');
            $this->press($b, 'The page');
            $this->press($b, 'Page', '[role=tab]');
            $this->press($b, 'Save as design');
            $this->fill($b, 'Private name', 'My opt-in page');
            $this->press($b, 'Save');
            $this->seeText($b, '“My opt-in page” is saved.');

            $second = $this->makeFunnel($b, 'The second');
            $this->openPage($b, $second);
            $this->press($b, 'Add a section');
            $this->press($b, 'Your own', '[role=dialog] nav button');
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
            $this->addToFunnel($b, 'Add a page');
            $this->press($b, 'My opt-in page', '[role=dialog] button');
            $this->find($b, 'iframe[data-ready=true]');
            $this->waitFor($b,
                fn (): bool => (int) $this->sql("select count(*) from draft_parts where kind = 'page' and funnel_id = '{$second}'") === 3,
                'the page is there');

            $b->get(self::$studio.'/studio/settings#own-designs');
            $this->seeText($b, 'Your own designs');
            $this->press($b, 'Remove');
            $this->seeText($b, 'is removed. Pages made from it stay as they are.');
            $this->press($b, 'Undo', '[role=status] button');
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
            $this->press($b, 'Your own merge fields');
            $this->press($b, 'Add a field');
            $this->fill($b, 'Name', 'My Programme');
            $this->fill($b, 'Text', 'First Season');
            $this->press($b, 'Save');
            $this->seeText($b, 'The name of a field holds small letters');
            self::assertSame('First Season', $this->field($b, 'Text')->getAttribute('value'), 'what was typed is kept');
            $this->fill($b, 'Name', 'programme');
            $this->press($b, 'Save');
            $this->waitFor($b, fn (): bool => $this->sql("select fields from funnels where id = '{$funnel}'") === '{"programme":"First '
                .'Season"}', 'kept');
            $this->press($b, 'Undo');
            $this->waitFor($b, fn (): bool => in_array($this->sql("select fields from funnels where id = '{$funnel}'"), ['{}', '[]'], true),
                'taken back');
            $this->press($b, 'Redo');
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
            $this->press($b, 'Preview link');
            $link = $this->find($b, '[data-test=preview-url]')->getText();
            $colleague = $this->browser(375, 740);
            $colleague->get($link);
            $this->seeText($colleague, 'Nothing that is done here is stored.');
            $this->fill($colleague, 'Email address', 'wren@example.com');
            $this->press($colleague, 'Put me on the list');
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
            $this->press($b, 'Export');
            $this->press($b, 'The whole funnel', '[role=menuitem]');
            $file = (string) $this->waitFor($b, fn (): mixed => current(array_filter(glob("{$folder}/*.zip") ?: [],
                fn (string $f): bool => (new ZipArchive)->open($f, ZipArchive::CHECKCONS) === true)), 'the file is there, whole');
            self::assertMatchesRegularExpression('~first-season[\d-]*\.funnel\.zip$~', $file);

            $b->get(self::$studio.'/studio/funnels/new');
            $wrong = self::$folder.'/wrong.zip';
            file_put_contents($wrong, 'words');
            $bring = fn (string $path) => $this->waitFor($b,
                fn () => $b->findElement(WebDriverBy::cssSelector('[aria-label="Import an exported funnel"]')), 'a place to bring it')
                ->setFileDetector(new LocalFileDetector)->sendKeys($path);
            $bring($wrong);
            $this->seeText($b, 'This is no zip file, or a damaged one. Nothing was imported.');
            $bring($file);
            $this->seeText($b, 'Travels (imported)');
            $this->press($b, 'Publish version 1');
            $this->press($b, 'Make it live');
            $this->find($b, '[data-test=public-url]');
        });
    }
}
