<?php

declare(strict_types=1);

namespace Tests\Feature\Drafts;

use App\Models\Funnel;
use App\Models\OldAddress;
use App\Models\User;
use App\Models\Way;
use App\Publishing\Publishing;
use Lantern\Core\Page\Document;
use Lantern\Core\Plan\PageRole;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Drafts\Form;
use Tests\Drafts\Page;
use Tests\Drafts\SellingFunnel;
use Tests\TestCase;

/** Pages that come and go in a draft, and the addresses they had. */
final class PagesTest extends TestCase
{
    use SellingFunnel;

    private User $owner;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
        $this->actingAs($this->owner);
    }

    public function test_a_page_is_added_after_another_and_the_ways_follow(): void
    {
        $funnel = $this->draft($this->owner);
        $entry = $this->entry($funnel);

        $answer = $this->postJson("/studio/api/funnels/{$funnel->id}/pages", ['role' => 'sales', 'after' => $entry->id])->assertCreated()
            ->assertJsonPath('page.name', 'Sales page')->assertJsonPath('page.address', 'sales');
        self::assertSame(['opt-in /', 'sales /sales', 'thank-you /thank-you'], $this->pages($funnel));
        self::assertSame(['opt-in joined sales', 'sales bought thank-you'], $this->ways($funnel));
        self::assertSame(['Those who joined on “Opt-in page” now come to “Sales page”.',
            'From “Sales page” those who bought go on to “Thank-you page”.'], $answer->json('sentences'));

        // Undo, and do again.
        $id = $answer->json('page.id');
        $this->deleteJson("/studio/api/parts/{$id}")->assertOk();
        self::assertSame(['opt-in joined thank-you'], $this->ways($funnel));
        $this->postJson("/studio/api/parts/{$id}/restore")->assertOk();
        self::assertSame(['opt-in joined sales', 'sales bought thank-you'], $this->ways($funnel));
        self::assertSame(['opt-in /', 'sales /sales', 'thank-you /thank-you'], $this->pages($funnel));
    }

    /** @return iterable<string, array{PageRole}> */
    public static function roles(): iterable
    {
        foreach (PageRole::ofPages() as $role) {
            yield $role->value => [$role];
        }
    }

    #[DataProvider('roles')]
    public function test_a_page_of_every_role_is_added_twice_drawn_and_checked(PageRole $role): void
    {
        $funnel = $this->selling();
        $first = $this->postJson("/studio/api/funnels/{$funnel->id}/pages", ['role' => $role->value])->assertCreated();
        $second = $this->postJson("/studio/api/funnels/{$funnel->id}/pages", ['role' => $role->value])->assertCreated();

        self::assertNotSame($first->json('page.address'), $second->json('page.address'));
        self::assertNotSame($first->json('page.name'), $second->json('page.name'));
        $this->get("/studio/preview/pages/{$second->json('page.id')}")->assertOk()->assertSee('data-section', false);
        $this->postJson("/studio/api/pages/{$second->json('page.id')}/check")->assertOk()->assertJsonMissing(['code' => 'form-gone'])
            ->assertJsonMissing(['code' => 'dead-link']);
    }

    public function test_a_page_that_asks_for_the_address_brings_a_form_where_there_is_none(): void
    {
        $funnel = $this->selling();
        self::assertSame(0, Form::query()->where('funnel_id', $funnel->id)->count());

        $this->postJson("/studio/api/funnels/{$funnel->id}/pages", ['role' => 'opt-in'])->assertCreated();
        $this->postJson("/studio/api/funnels/{$funnel->id}/pages", ['role' => 'form'])->assertCreated();

        self::assertSame(1, Form::query()->where('funnel_id', $funnel->id)->count(), 'one, for both');
        $this->getJson("/studio/api/funnels/{$funnel->id}/check")->assertOk()->assertJsonMissing(['code' => 'form-gone']);
    }

    public function test_an_empty_page_is_empty(): void
    {
        $funnel = $this->draft($this->owner);

        $this->postJson("/studio/api/funnels/{$funnel->id}/pages", ['role' => 'free', 'empty' => true])->assertCreated()
            ->assertJsonPath('page.document.sections', []);
    }

    public function test_a_page_is_duplicated_beside_itself(): void
    {
        $funnel = $this->draft($this->owner);
        $entry = $this->entry($funnel);
        $entry->forceFill(['settings' => ['title' => 'A title']])->save();

        $copy = $this->postJson("/studio/api/pages/{$entry->id}/duplicate")->assertCreated()
            ->assertJsonPath('page.name', 'Opt-in page (copy)')->assertJsonPath('page.settings.title', 'A title');
        self::assertSame(['opt-in /', 'opt-in /opt-in', 'thank-you /thank-you'], $this->pages($funnel));
        self::assertSame($entry->refresh()->document, Page::query()->findOrFail($copy->json('page.id'))->document);
    }

    public function test_pages_are_put_in_another_order_and_the_first_is_the_entry_page(): void
    {
        $funnel = $this->selling();
        $ids = Page::query()->where('funnel_id', $funnel->id)->orderBy('position')->pluck('id')->all();

        $this->putJson("/studio/api/funnels/{$funnel->id}/order", ['pages' => [$ids[1], $ids[0], ...array_slice($ids, 2)]])->assertOk();
        self::assertSame(['upsell /', 'sales /sales', 'downsell /instead', 'delivery /welcome', 'closed /closed'], $this->pages($funnel));
        self::assertSame(self::SELLING_WAYS, $this->ways($funnel), 'ways stay as they are');

        foreach ([[], [$ids[0]], [...$ids, 'x'], array_fill(0, 5, $ids[0])] as $wrong) {
            $this->putJson("/studio/api/funnels/{$funnel->id}/order", ['pages' => $wrong])->assertStatus(422);
        }
    }

    public function test_a_way_is_chosen_changed_and_taken_back(): void
    {
        $funnel = $this->selling();
        $sales = $this->page($funnel, 'sales');
        $put = fn (array $way) => $this->putJson("/studio/api/pages/{$sales->id}/ways", $way);

        $put(['outcome' => 'declined', 'toPage' => $this->page($funnel, 'downsell')->id])->assertOk();
        self::assertContains('sales declined downsell', $this->ways($funnel));
        $put(['outcome' => 'declined', 'toUrl' => 'https://else.example/'])->assertOk();
        self::assertContains('sales declined https://else.example/', $this->ways($funnel));
        $put(['outcome' => 'declined', 'none' => true])->assertOk();
        self::assertSame(self::SELLING_WAYS, $this->ways($funnel));

        $put(['outcome' => 'attended', 'toPage' => $sales->id])->assertStatus(422);
        $put(['outcome' => 'declined', 'toUrl' => 'javascript:alert(1)'])->assertStatus(422);
        $put(['outcome' => 'declined', 'toPage' => 'nothing'])->assertStatus(422);
        $other = $this->draft($this->owner);
        $put(['outcome' => 'declined', 'toPage' => $this->entry($other)->id])->assertStatus(422);
        self::assertSame(self::SELLING_WAYS, $this->ways($funnel));
    }

    public function test_two_pages_never_have_one_address(): void
    {
        $funnel = $this->selling();
        $upsell = $this->page($funnel, 'upsell');

        $this->putJson("/studio/api/parts/{$upsell->id}", ['revision' => 1, 'address' => 'instead'])->assertStatus(422)
            ->assertJsonValidationErrors('address');
        $this->putJson("/studio/api/parts/{$upsell->id}", ['revision' => 1, 'address' => 'Not an address'])->assertStatus(422);
        $sales = $this->page($funnel, 'sales');
        $this->putJson("/studio/api/parts/{$sales->id}", ['revision' => 1, 'address' => 'start'])->assertStatus(422)
            ->assertJsonPath('errors.address.0', 'The entry page is at the address of the funnel itself.');
        self::assertSame(self::SELLING, $this->pages($funnel));
    }

    public function test_a_page_at_another_address_is_found_at_the_old_one_for_good(): void
    {
        $funnel = $this->live($this->owner);
        $thanks = $this->page($funnel, 'thank-you');
        $move = function (string $address) use ($thanks, $funnel): void {
            $this->putJson("/studio/api/parts/{$thanks->id}", ['revision' => $thanks->refresh()->revision, 'address' => $address])
                ->assertOk();
            app(Publishing::class)->publish($funnel->refresh(), null);
        };
        $move('danke');
        $this->get("/{$funnel->address}/thank-you?utm_source=letter")->assertStatus(301)
            ->assertRedirect($funnel->url('danke').'?utm_source=letter');
        $move('merci');
        foreach (['thank-you', 'danke'] as $old) {
            $this->get("/{$funnel->address}/{$old}")->assertStatus(301)->assertRedirect($funnel->url('merci'));
        }
        $this->get("/{$funnel->address}/merci")->assertOk();
        $move('danke');
        $this->get("/{$funnel->address}/danke")->assertOk();
        $this->get("/{$funnel->address}/merci")->assertRedirect($funnel->url('danke'));
        $this->get("/{$funnel->address}/never")->assertNotFound();
    }

    /** A page with the words of the thank-you page, so that it can go live. */
    private function anotherPage(Funnel $funnel, string $role): void
    {
        $page = $this->postJson("/studio/api/funnels/{$funnel->id}/pages", ['role' => $role, 'empty' => true])->assertCreated()
            ->json('page');
        $this->putJson("/studio/api/parts/{$page['id']}",
            ['revision' => $page['revision'], 'document' => $this->page($funnel, 'thank-you')->document])->assertOk();
    }

    public function test_rolling_back_keeps_every_address_that_was_public(): void
    {
        $funnel = $this->live($this->owner);
        $thanks = $this->page($funnel, 'thank-you');
        $first = $funnel->refresh()->live_version_id;
        $this->putJson("/studio/api/parts/{$thanks->id}", ['revision' => 1, 'address' => 'danke'])->assertOk();
        $this->anotherPage($funnel, 'free');
        $second = app(Publishing::class)->publish($funnel->refresh(), null)->id;
        $makeLive = fn (?string $version) => $this->postJson("/studio/api/funnels/{$funnel->id}/versions/{$version}/live")->assertOk();

        $makeLive($first);
        $this->get("/{$funnel->address}/thank-you")->assertOk();
        // A browser asks again each time: what leads there today may lead back tomorrow.
        $this->get("/{$funnel->address}/danke")->assertStatus(301)->assertRedirect($funnel->url('thank-you'))
            ->assertHeader('Cache-Control', 'no-cache, private');
        $this->get("/{$funnel->address}/page")->assertNotFound();
        $makeLive($second);
        $this->get("/{$funnel->address}/thank-you")->assertRedirect($funnel->url('danke'));
        $this->get("/{$funnel->address}/page")->assertOk();

        // A page that comes back at another address is still found where it was before it went.
        $makeLive($first);
        $own = $this->page($funnel, 'free');
        $this->putJson("/studio/api/parts/{$own->id}", ['revision' => $own->revision, 'address' => 'offer'])->assertOk();
        app(Publishing::class)->publish($funnel->refresh(), null);
        $this->get("/{$funnel->address}/page")->assertRedirect($funnel->url('offer'));
    }

    public function test_an_address_two_pages_had_in_turn_leads_to_the_one_that_had_it_last(): void
    {
        $funnel = $this->live($this->owner);
        foreach (['lesson', 'free'] as $role) {
            $this->anotherPage($funnel, $role);
        }
        $move = function (string $role, string $address) use ($funnel): void {
            $page = $this->page($funnel, $role);
            $this->putJson("/studio/api/parts/{$page->id}", ['revision' => $page->revision, 'address' => $address])->assertOk();
            app(Publishing::class)->publish($funnel->refresh(), null);
        };
        $move('lesson', 'shared');
        $move('lesson', 'first');
        $move('free', 'shared');
        $move('free', 'second');
        $this->get("/{$funnel->address}/shared")->assertRedirect($funnel->url('second'));
        $move('lesson', 'shared');
        $move('lesson', 'first');
        $this->get("/{$funnel->address}/shared")->assertRedirect($funnel->url('first'));
    }

    public function test_a_draft_at_another_address_changes_nothing_for_visitors(): void
    {
        $funnel = $this->live($this->owner);
        $thanks = $this->page($funnel, 'thank-you');
        $this->putJson("/studio/api/parts/{$thanks->id}", ['revision' => 1, 'address' => 'danke'])->assertOk();

        $this->get("/{$funnel->address}/thank-you")->assertOk();
        $this->get("/{$funnel->address}/danke")->assertNotFound();
        self::assertSame(0, OldAddress::query()->count());
    }

    public function test_a_funnel_at_another_address_is_found_at_the_old_one_and_nobody_else_gets_it(): void
    {
        $funnel = $this->live($this->owner);
        $old = $funnel->address;
        $this->putJson("/studio/api/funnels/{$funnel->id}", ['address' => 'a-better-one'])->assertOk();

        $this->get("/{$old}/thank-you?x=1")->assertStatus(301)->assertRedirect(url('a-better-one/thank-you').'?x=1');
        $this->get('/a-better-one')->assertOk()->assertSee('action="/a-better-one"', false);
        $this->post("/{$old}", ['email' => 'robin@example.com'])->assertStatus(308)->assertRedirect(url('a-better-one'));
        $this->putJson('/studio/api/funnels/'.$this->draft($this->owner, 'Another')->id, ['address' => $old])->assertStatus(422)
            ->assertJsonValidationErrors('address');

        // It may take its own old address back.
        $this->putJson("/studio/api/funnels/{$funnel->id}", ['address' => $old])->assertOk();
        $this->get("/{$old}")->assertOk();
        $this->get('/a-better-one')->assertRedirect(url($old));
    }

    public function test_an_address_that_was_never_public_is_free_again(): void
    {
        $funnel = $this->draft($this->owner);
        $old = $funnel->address;
        $this->putJson("/studio/api/funnels/{$funnel->id}", ['address' => 'a-better-one'])->assertOk();

        $this->get("/{$old}")->assertNotFound();
        $this->putJson('/studio/api/funnels/'.$this->draft($this->owner, 'Another')->id, ['address' => $old])->assertOk();
    }

    public function test_settings_are_kept_shown_and_refused(): void
    {
        $funnel = $this->draft($this->owner);
        $entry = $this->entry($funnel);
        $put = fn (array $settings) => $this->putJson("/studio/api/parts/{$entry->id}",
            ['revision' => $entry->refresh()->revision, 'settings' => $settings]);

        $put(['title' => "A  title\u{0007}", 'description' => 'About <it>', 'language' => 'de', 'hidden' => true])->assertOk()
            ->assertJsonPath('settings.title', 'A title');
        app(Publishing::class)->publish($funnel->refresh(), null);
        $html = (string) $this->get("/{$funnel->address}")->assertOk()->getContent();
        self::assertStringContainsString('<html lang="de">', $html);
        self::assertStringContainsString('<title>A title</title>', $html);
        self::assertStringContainsString('content="About &lt;it&gt;"', $html);
        self::assertStringContainsString('<meta name="robots" content="noindex">', $html);

        $put(['language' => '"><script>'])->assertStatus(422)
            ->assertJsonPath('errors', ['settings.language' => ['A language is written like en or pt-BR.']]);
        $put(['head' => str_repeat('x', 20_001)])->assertStatus(422);
        self::assertSame('de', $entry->refresh()->settings['language']);
    }

    public function test_what_an_older_draft_holds_is_shown_in_todays_format(): void
    {
        $funnel = $this->draft($this->owner);
        $entry = $this->entry($funnel);
        $document = ['format' => 1, 'background' => ['colour' => '#123456']] + $entry->document;
        $entry->forceFill(['document' => $document])->save();

        $this->getJson("/studio/api/funnels/{$funnel->id}")->assertOk()->assertJsonPath('pages.0.document.format', Document::FORMAT)
            ->assertJsonPath('pages.0.document.background', ['fill' => 'colour', 'colour' => '#123456']);
        app(Publishing::class)->publish($funnel, null);
        $this->get("/{$funnel->address}")->assertOk()->assertSee('background:#123456', false);
        self::assertSame(1, Way::query()->count());
    }
}
