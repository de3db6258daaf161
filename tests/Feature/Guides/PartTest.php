<?php

declare(strict_types=1);

namespace Tests\Feature\Guides;

use App\Drafts\DraftPlan;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Version;
use App\Publishing\Publishing;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Plan\LeadMagnet;
use PHPUnit\Framework\Attributes\DataProvider;
use ZipArchive;

/** A guide is a part of its funnel like the others: made, worked on, copied, taken along, published and rolled back. */
final class PartTest extends GuideTestCase
{
    private string $api = '/studio/api';

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->imke);
    }

    /** @return list<string> names of its pages, in order */
    private function names(?string $funnel = null): array
    {
        $plan = DraftPlan::read(Funnel::query()->findOrFail($funnel ?? $this->funnel->id));

        return array_map(fn (GuidePage $p): string => $p->name, $plan->pagesOf($plan->guides[0]->id));
    }

    private function zip(string $url): ZipArchive
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'test-zip');
        file_put_contents($path, $this->get($url)->assertOk()->streamedContent());
        $zip = new ZipArchive;
        self::assertTrue($zip->open($path));

        return $zip;
    }

    public function test_pages_are_added_duplicated_renamed_hidden_put_in_order_removed_and_brought_back(): void
    {
        $names = $this->names();
        $ids = array_map(fn (DraftPart $p): string => $p->id, $this->pages());
        $added = $this->postJson("{$this->api}/guides/{$this->guide->id}/pages", ['after' => $ids[1]])->assertCreated()->json('pages.0');
        $copy = $this->postJson("{$this->api}/guides/{$this->guide->id}/pages", ['of' => $ids[1], 'after' => $ids[1]])->assertCreated()
            ->json('pages.0');
        array_splice($names, 2, 0, ["{$names[1]} (copy)", 'Page 7']);
        self::assertSame($names, $this->names());
        $blocks = fn (string $id): array => array_column(
            DraftPart::query()->findOrFail($id)->definition['document']['sections'][0]['blocks'], 'id');
        self::assertCount(3, $blocks($copy['id']));
        self::assertSame([], array_intersect($blocks($copy['id']), $blocks($ids[1])),
            'what is answered on one is not answered on the other');

        $order = array_reverse([...array_slice($ids, 0, 2), $copy['id'], $added['id'], ...array_slice($ids, 2)]);
        $this->putJson("{$this->api}/guides/{$this->guide->id}/order", ['pages' => $order])->assertOk()->assertJson(['pages' => $order]);
        self::assertSame(array_reverse($names), $this->names());

        $revision = DraftPart::query()->findOrFail($added['id'])->revision;
        $this->putJson("{$this->api}/parts/{$added['id']}", ['name' => 'More', 'hidden' => true, 'revision' => $revision])->assertOk();
        $this->deleteJson("{$this->api}/parts/{$copy['id']}")->assertOk();
        $this->publish();
        $this->joins('robin@example.com');
        $this->opens()->assertDontSee('data-leaf="'.$added['id'].'"', false)->assertDontSee('data-leaf="'.$copy['id'].'"', false)
            ->assertSee('data-count="6"', false);
        $this->postJson("{$this->api}/parts/{$copy['id']}/restore")->assertOk();
        self::assertCount(8, $this->pages());
    }

    public function test_a_guide_goes_with_its_pages_and_comes_back_with_them_at_an_address_that_is_free(): void
    {
        $this->deleteJson("{$this->api}/parts/{$this->guide->id}")->assertOk()->assertSee('gives no guide any more');
        self::assertSame([], $this->pages());
        self::assertContains('guide-gone', $this->findings());
        $page = DraftPart::there($this->funnel->id, 'page')->where('definition->address', 'thank-you')->firstOrFail();
        $this->putJson("{$this->api}/parts/{$page->id}", ['address' => 'read', 'revision' => $page->revision])->assertOk();
        $this->postJson("{$this->api}/parts/{$this->guide->id}/restore")->assertOk();
        self::assertCount(6, $this->pages());
        self::assertSame('read-2', $this->guide->refresh()->text('address'));
        // And neither may take the other's.
        $this->putJson("{$this->api}/parts/{$this->guide->id}", ['address' => 'read', 'revision' => $this->guide->revision])
            ->assertStatus(422)->assertJsonValidationErrorFor('address');
    }

    /** @return iterable<string, array{string, string, array<string, mixed>, int}> */
    public static function wrong(): iterable
    {
        yield 'a guide for somebody else’s lead magnet' => ['post', 'funnels/{funnel}/guides', ['leadMagnet' => 'nothing'], 404];
        yield 'a title that is a list' => ['post', 'funnels/{funnel}/guides', ['title' => ['x']], 201];
        yield 'pages that are words' => ['post', 'funnels/{funnel}/guides', ['pages' => 'x'], 422];
        yield 'a page without a name' => ['post', 'guides/{guide}/pages', ['pages' => [['name' => ' ', 'document' => []]]], 422];
        yield 'a page that is no document' => ['post', 'guides/{guide}/pages', ['pages' => [['name' => 'x', 'document' => 'y']]], 422];
        yield 'sixty pages and one' => ['post', 'guides/{guide}/pages',
            ['pages' => array_fill(0, 61, ['name' => 'x', 'document' => ['format' => 1, 'sections' => []]])], 422];
        yield 'after a page of nobody’s' => ['post', 'guides/{guide}/pages', ['after' => 'nothing', 'of' => 'nothing'], 201];
        yield 'an order that misses some' => ['put', 'guides/{guide}/order', ['pages' => []], 422];
        yield 'an order of other types' => ['put', 'guides/{guide}/order', ['pages' => [1, null, ['x']]], 422];
        yield 'no reminders' => ['post', 'guides/{guide}/reminders', [], 422];
        yield 'a reminder on no day' => ['post', 'guides/{guide}/reminders', ['reminders' => [['days' => 0, 'not' => 'begun']]], 422];
        yield 'a reminder of nobody' => ['post', 'guides/{guide}/reminders', ['reminders' => [['days' => 1, 'not' => 'x']]], 422];
        yield 'a finish beyond all' => ['put', 'parts/{guide}', ['finish' => ['kind' => 'share', 'share' => 101]], 422];
        yield 'a finish of another kind' => ['put', 'parts/{guide}', ['finish' => 'all'], 422];
        yield 'more open than there can be' => ['put', 'parts/{guide}', ['open' => -1], 422];
    }

    /** @param  array<string, mixed>  $input */
    #[DataProvider('wrong')]
    public function test_what_is_wrong_is_said_and_changes_nothing(string $method, string $path, array $input, int $status): void
    {
        $url = "{$this->api}/".strtr($path, ['{funnel}' => $this->funnel->id, '{guide}' => $this->guide->id]);
        $before = $this->names();
        $this->json($method, $url, $input + ['revision' => $this->guide->revision])->assertStatus($status);
        if ($status !== 201) {
            self::assertSame($before, $this->names());
        }
        $this->actingAs($this->owner('other@example.com'));
        $this->json($method, $url, $input + ['revision' => $this->guide->revision])->assertNotFound();
    }

    public function test_it_goes_along_in_a_copy_of_the_funnel_and_in_its_archive(): void
    {
        $copy = $this->postJson("{$this->api}/funnels/{$this->funnel->id}/duplicate")->assertCreated()->json('id');
        $path = (string) tempnam(sys_get_temp_dir(), 'test-zip');
        file_put_contents($path, $this->get("{$this->api}/funnels/{$this->funnel->id}/export")->assertOk()->streamedContent());
        $this->actingAs($this->owner('other@example.com'));
        $read = $this->post("{$this->api}/funnels/import", ['archive' => new UploadedFile($path, 'f.zip', null, null, true)],
            ['Accept' => 'application/json'])->assertCreated()->json('id');
        foreach ([$copy, $read] as $id) {
            self::assertSame($this->names(), $this->names($id));
            $plan = DraftPlan::read(Funnel::query()->findOrFail($id));
            self::assertSame($plan->guides[0]->id, $plan->leadMagnets[0]->guide);
            self::assertNotSame($this->guide->id, $plan->guides[0]->id);
            self::assertSame([], array_intersect(array_map(fn (GuidePage $p): string => $p->id, $plan->guidePages),
                array_map(fn (DraftPart $p): string => $p->id, $this->pages())));
            self::assertSame('read', $plan->guides[0]->address);
        }
    }

    public function test_taken_out_as_html_it_is_whole_and_its_funnel_leads_to_it(): void
    {
        $zip = $this->zip("{$this->api}/funnels/{$this->funnel->id}/html");
        $guide = (string) $zip->getFromName('read.html');
        foreach (range(0, 5) as $n) {
            self::assertStringContainsString("Part {$n}", $guide);
        }
        self::assertStringNotContainsString('slot:', $guide);
        self::assertStringNotContainsString('<!--', $guide);
        self::assertStringNotContainsString('The rest is yours', $guide);
        self::assertStringNotContainsString('/m/', preg_replace('~<script.*?</script>~s', '', $guide) ?? '');
        self::assertStringContainsString('touchstart', $guide, 'its script comes along');
        self::assertStringContainsString('href="read.html"', (string) $zip->getFromName('thank-you.html'));
    }

    public function test_a_version_is_gone_back_to_with_its_guide_and_its_earlier_address_leads_on(): void
    {
        $first = Version::query()->where('funnel_id', $this->funnel->id)->sole();
        $this->guide->refresh()->change(['address' => 'course', 'title' => 'Other'])->save();
        $this->deleteJson("{$this->api}/parts/{$this->pages()[5]->id}")->assertOk();
        $this->getJson("{$this->api}/funnels/{$this->funnel->id}/changes")->assertOk()->assertSee('guide');
        $this->publish();
        $this->get($this->path())->assertRedirect("/{$this->funnel->address}/course");
        $this->joins('robin@example.com');
        $this->get("/{$this->funnel->address}/course")->assertOk()->assertSee('data-count="5"', false);
        $this->postJson("{$this->api}/funnels/{$this->funnel->id}/versions/{$first->id}/live")->assertOk();
        $this->get($this->path())->assertOk()->assertSee('data-count="6"', false)->assertSee('Part 5');
    }

    public function test_a_closed_funnel_is_still_read_by_whoever_joined_and_by_nobody_else(): void
    {
        $this->joins('robin@example.com');
        app(Publishing::class)->close($this->funnel);
        $this->opens()->assertSee('Part 5');
        $this->forgetsAll();
        app('auth')->forgetGuards();
        $this->get($this->path())->assertGone()->assertDontSee('Part 0');
    }

    public function test_a_form_may_lead_straight_into_it(): void
    {
        $entry = DraftPart::there($this->funnel->id, 'page')->where('definition->address', '')->firstOrFail();
        $this->putJson("{$this->api}/pages/{$entry->id}/ways", ['outcome' => 'joined', 'toPage' => $this->guide->id])->assertOk();
        $this->publish();
        app('auth')->forgetGuards();
        $this->forgetsAll();
        $this->join($this->funnel, ['email' => 'robin@example.com'])->assertRedirect($this->path());
        $this->keepCookies($this->join($this->funnel, ['email' => 'robin@example.com']));
        $this->opens()->assertSee('Part 5');
        self::assertSame(0, DB::table('events')->where('type', 'guide-begun')->count());
    }

    /** @return list<string> codes of what the go-live check finds */
    private function findings(): array
    {
        return array_column($this->getJson("{$this->api}/funnels/{$this->funnel->id}/check")->assertOk()->json('findings'), 'code');
    }

    public function test_the_check_looks_at_it_and_at_each_of_its_pages(): void
    {
        self::assertSame([], array_filter($this->findings(), fn (string $c): bool => str_starts_with($c, 'guide-')));
        $this->guide->refresh()->change(['open' => 6, 'address' => 'thank-you'])->save();
        $document = $this->pages()[2]->definition['document'];
        $document['sections'][0]['blocks'][] = ['id' => 'pic', 'kind' => 'picture', 'picture' => 'gone', 'alt' => ''];
        $this->pages()[2]->change(['document' => $document])->save();
        $found = $this->getJson("{$this->api}/funnels/{$this->funnel->id}/check")->assertOk()->json('findings');
        self::assertEqualsCanonicalizing(['guide-open', 'guide-address'],
            array_values(array_filter(array_column($found, 'code'), fn (string $c): bool => str_starts_with($c, 'guide-'))));
        $onPage = array_values(array_filter($found, fn (array $f): bool => $f['open'] === 'guide-page'));
        self::assertSame($this->pages()[2]->id, $onPage[0]['id'] ?? null);
        foreach ($this->pages() as $page) {
            $this->deleteJson("{$this->api}/parts/{$page->id}")->assertOk();
        }
        self::assertContains('guide-empty', $this->findings());
        $this->postJson("{$this->api}/funnels/{$this->funnel->id}/publish")->assertStatus(422);
    }

    public function test_another_guide_is_made_of_pages_and_given_by_the_lead_magnet(): void
    {
        $magnet = DraftPart::there($this->funnel->id, LeadMagnet::kind())->sole();
        $made = $this->postJson("{$this->api}/funnels/{$this->funnel->id}/guides", ['leadMagnet' => $magnet->id, 'title' => 'Second',
            'pages' => [['name' => 'A', 'document' => ['format' => 1, 'sections' => []]],
                ['name' => 'B', 'document' => ['format' => 1, 'sections' => [['id' => 's', 'kind' => 'words', 'blocks' => [
                    ['id' => 't', 'kind' => 'text', 'html' => '<p onclick=x>Hi</p><script>alert(1)</script>']]]]]]]])
            ->assertCreated()->json();
        $plan = DraftPlan::read($this->funnel->refresh());
        self::assertSame([$made['id'], 'read-2', 'Second'], [$plan->leadMagnets[0]->guide, $plan->guides[1]->address, $made['title']]);
        self::assertSame('<p>Hi</p>', $plan->pagesOf($made['id'])[1]->document->blocks()[0]->field('html'));
        self::assertInstanceOf(Guide::class, $plan->guide($made['id']));
    }
}
