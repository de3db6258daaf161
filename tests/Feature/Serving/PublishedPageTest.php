<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use App\Models\PublishedPage;
use App\Models\Version;
use App\Publishing\Publishing;
use App\Rendering\PageRenderer;
use Illuminate\Support\Facades\DB;
use RuntimeException;
use Tests\TestCase;

/** A published page is a row: a visit reads it and fills its slots, and nothing else. */
final class PublishedPageTest extends TestCase
{
    public function test_a_visit_and_its_count_do_without_plan_and_renderer(): void
    {
        $funnel = $this->live();
        $asked = (string) $this->get("/{$funnel->address}?utm_source=talk")->assertOk()->getContent();
        $entry = $this->entry($funnel);
        DB::table('versions')->update(['plan' => '{}']);
        DB::table('draft_parts')->update(['definition' => '{}']);
        $this->app->bind(PageRenderer::class, fn () => throw new RuntimeException('nothing is drawn for a visit'));

        $again = (string) $this->get("/{$funnel->address}?utm_source=talk")->assertOk()->getContent();
        $withoutToken = fn (string $html): string => (string) preg_replace('/name="token" value="[^"]+"/', '', $html);
        self::assertSame($withoutToken($asked), $withoutToken($again));
        self::assertStringContainsString('name="source" value="utm_source=talk"', $again);
        $this->get("/{$funnel->address}/thank-you")->assertOk()->assertSee('Tell me where to send it');
        $this->get("/{$funnel->address}/nothing-here")->assertNotFound();
        $this->post('/m/view', ['funnel' => $funnel->id, 'page' => $entry->id, 'visitor' => str_repeat('a', 32)])->assertNoContent();
        $this->post('/m/view', ['funnel' => $funnel->id, 'page' => '01aaaaaaaaaaaaaaaaaaaaaaaa', 'visitor' => str_repeat('b', 32)])
            ->assertNoContent();
        self::assertSame([[$entry->id, $funnel->live_version_id]],
            DB::table('events')->where('type', 'viewed')->get(['page_id', 'version_id'])
                ->map(fn (object $e): array => [$e->page_id, $e->version_id])->all());
    }

    public function test_a_visit_asks_the_database_three_times(): void
    {
        $funnel = $this->live();
        $this->get("/{$funnel->address}");
        app()->forgetScopedInstances();
        DB::enableQueryLog();
        $this->get("/{$funnel->address}")->assertOk();
        // When the answer is out, it is looked whether the next visit needs the framework at all.
        $asked = array_filter(array_column(DB::getQueryLog(), 'query'), fn (string $sql): bool => ! str_contains($sql, 'page_fronts'));

        self::assertCount(3, $asked, implode("\n", $asked));
    }

    public function test_each_version_has_its_own_rows_and_says_of_what_each_slot_is_made(): void
    {
        $funnel = $this->live();
        $page = PublishedPage::query()->where('version_id', $funnel->live_version_id)->where('address', '')->sole();

        self::assertSame(['token', 'source', 'here', 'head'],
            array_values(array_intersect(['token', 'source', 'here', 'head'], array_keys($page->slots))));
        self::assertSame(['base'], $page->slots['head']['groups']);
        self::assertSame(['frames' => [], 'code' => false], $page->policy);
        preg_match_all('/<!--slot:([a-z]+(?::[A-Za-z0-9_-]+?)?)(?::[^-]*)?-->/', $page->html, $slots);
        self::assertContains('value:email', $slots[1]);
        self::assertSame([], array_values(array_diff($slots[1], array_keys($page->slots))), 'every slot on the page is noted');

        $funnel->forceFill(['look' => 'salon'])->save();
        app(Publishing::class)->publish($funnel->refresh(), null);
        self::assertSame(2 * PublishedPage::query()->where('version_id', $funnel->live_version_id)->count(),
            PublishedPage::query()->count());
        self::assertNotSame($page->version_id, $funnel->refresh()->live_version_id);
        Version::query()->whereKey($page->version_id)->delete();
        self::assertSame(0, PublishedPage::query()->where('version_id', $page->version_id)->count());
    }

    public function test_a_video_host_that_is_allowed_later_is_let_in_by_publishing_again(): void
    {
        $funnel = $this->live();
        $entry = $this->entry($funnel);
        $document = $entry->document;
        $document['sections'][0]['blocks'][] = ['id' => 'film', 'kind' => 'video', 'url' => 'https://films.example/v/1',
            'title' => 'A lesson'];
        $entry->update(['document' => $document]);
        app(Publishing::class)->publish($funnel->refresh(), null);
        self::assertStringNotContainsString('films.example',
            (string) $this->get("/{$funnel->address}")->headers->get('Content-Security-Policy'));

        $funnel->business->forceFill(['embed_hosts' => ['films.example']])->save();
        self::assertStringNotContainsString('films.example',
            (string) $this->get("/{$funnel->address}")->headers->get('Content-Security-Policy'));
        app(Publishing::class)->publish($funnel->refresh(), null);
        self::assertStringContainsString('frame-src https://films.example',
            (string) $this->get("/{$funnel->address}")->headers->get('Content-Security-Policy'));
    }
}
