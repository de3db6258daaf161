<?php

declare(strict_types=1);

namespace Tests\Feature\Languages;

use App\Drafts\DraftPlan;
use App\Export\HtmlExport;
use Lantern\Core\Popups\Popup;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\Feature\Popups\PopupTestCase;
use Tests\MadeUp;
use ZipArchive;

/** What pop-ups say on a page, on another site and as pages of their own; and copies of pages, and previews. */
final class MadeUpPopupTest extends PopupTestCase
{
    use HearsMadeUp;

    #[TestWith([false])]
    #[TestWith([true])]
    public function test_pop_ups_wherever_they_are(bool $ofFunnel): void
    {
        $this->ofFunnel = $ofFunnel;
        $placed = $this->addPopup([], 'popup-placed')->id;
        $this->funnel = $this->inGreek($this->funnel);
        $site = $this->site();
        foreach ([$this->popup, $placed] as $id) {
            $this->get("/p/{$id}");
            $this->post("/p/{$id}", ['email' => 'x']);
        }
        self::assertStringNotContainsString('Please', (string) $this->get("/w/{$site->id}.js")->assertOk()->getContent());
        $ticket = $this->see();
        $this->joinIn($ticket, 'nobody');
        $this->joinIn($ticket, '', ['token' => 'forged']);
        $this->joinIn($ticket, 'robin@example.com', ['first_name' => 'Ροβιν']);
        $this->runQueue();
        $this->assertNothingElseWasSaid();
    }

    public function test_a_preview_and_a_copy(): void
    {
        $this->funnel = $this->inGreek($this->funnel);
        $this->actingAs($this->user);
        $link = (string) $this->postJson("/studio/api/funnels/{$this->funnel->id}/preview-link")->assertOk()->json('url');
        $preview = (string) $this->get(parse_url($link, PHP_URL_PATH).'?'.parse_url($link,
            PHP_URL_QUERY).'&popup='.$this->popup)->assertOk()
            ->getContent();
        self::assertStringContainsString('⟦Preview of a draft', $preview);
        $plan = DraftPlan::read($this->funnel);
        self::assertNotSame([], array_filter($plan->popups, fn (Popup $p): bool => $p->on));
        $zip = new ZipArchive;
        $zip->open(app(HtmlExport::class)->zip($plan, $plan->pages, $this->funnel->business, null));
        $pages = $said = 0;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            if (str_ends_with((string) $zip->getNameIndex($i), '.html')) {
                $pages++;
                $html = (string) $zip->getFromIndex($i);
                $this->hear('copy', MadeUp::foundInHtml($html));
                $said += substr_count($html, '⟦');
            }
        }
        self::assertSame(count($plan->pages), $pages);
        self::assertGreaterThan(2, $said);
        $this->join($this->funnel, ['email' => 'robin@example.com', 'first_name' => 'Ροβιν', 'consent' => 'yes']);
        $this->runQueue();
        $this->assertNothingElseWasSaid();
    }
}
