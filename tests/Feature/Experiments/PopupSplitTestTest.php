<?php

declare(strict_types=1);

namespace Tests\Feature\Experiments;

use App\Models\Experiment;
use App\Models\PublishedPage;
use Illuminate\Support\Facades\DB;
use Tests\Feature\Popups\PopupTestCase;

/** A split test of a pop-up, as visitors meet it. */
final class PopupSplitTestTest extends PopupTestCase
{
    private string $test;

    private string $variant;

    /** @var array<string, mixed> */
    private array $made;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->user);
        $parts = "/studio/api/funnels/{$this->funnel->id}/parts";
        $this->test = $this->postJson($parts, ['kind' => 'split-test', 'of' => 'popup', 'part' => $this->popup])->assertCreated()
            ->json('id');
        $this->made = $this->postJson($parts, ['kind' => 'variant', 'test' => $this->test])->assertCreated()->json();
        $this->variant = $this->made['id'];
    }

    /** Another heading, and it opens for whoever has stayed for a while. */
    private function start(): void
    {
        $document = $this->made['document'];
        foreach ($document['sections'][0]['blocks'] as $i => $block) {
            if ($block['kind'] === 'heading') {
                $document['sections'][0]['blocks'][$i]['text'] = 'A melody by spring';
            }
        }
        $this->putJson("/studio/api/parts/{$this->variant}", ['document' => $document, 'revision' => $this->made['revision'],
            'triggers' => [['kind' => 'leaving'], ['kind' => 'seconds', 'seconds' => 30]]])->assertOk()->assertJsonCount(2, 'differs');
        $this->postJson("/studio/api/split-tests/{$this->test}/start")->assertCreated();
        $this->app['auth']->forgetGuards();
        $this->defaultCookies = $this->unencryptedCookies = [];
    }

    public function test_a_visitor_gets_one_of_its_variants_keeps_it_and_counts_when_it_is_shown(): void
    {
        $this->start();
        $got = [];
        for ($i = 0; $i < 6 || count($got) < 2; $i++) {
            $this->anotherBrowser();
            $ticket = (string) $this->ask()->json('ticket');
            $popup = $this->ask()->json('popups.0');
            $letter = $popup['name'] === 'A melody by spring' ? 'b' : 'a';
            self::assertSame($letter === 'b' ? 2 : 1, count($popup['triggers']));
            self::assertSame(0, DB::table('experiment_people')->where('visitor', $this->visitor)->count(), 'not seen yet');
            $this->show($ticket)->assertJsonPath('show', true);
            self::assertSame([$letter], DB::table('experiment_people')->where('visitor', $this->visitor)->pluck('variant')->all());
            $got[$letter][] = [$ticket, $this->visitor];
        }
        self::assertSame(2, count($got));
        // Whoever joins in it has reached what the test wants.
        [$ticket, $this->visitor] = $got['b'][0];
        $this->joinIn($ticket)->assertOk();
        self::assertSame(['b'], DB::table('experiment_people')->whereNotNull('joined_after')->pluck('variant')->all());
        [$ticket] = $got['a'][0];
        $this->post('/w/report', ['ticket' => $ticket, 'popup' => $this->popup, 'type' => 'clicked'])->assertNoContent();
        self::assertSame(['a'], DB::table('experiment_people')->whereNotNull('clicked_after')->pluck('variant')->all());
    }

    public function test_its_owner_sees_what_there_was_before_and_counts_nowhere(): void
    {
        $this->start();
        for ($i = 0; $i < 8; $i++) {
            $this->anotherBrowser();
            $this->withCookie('lantern_owner', '1');
            $asked = $this->ask();
            self::assertNotSame('A melody by spring', $asked->json('popups.0.name'));
            $this->show((string) $asked->json('ticket'))->assertJsonPath('show', true);
        }
        self::assertSame(0, DB::table('experiment_people')->count());
    }

    public function test_everybody_gets_the_winner_once_it_has_ended(): void
    {
        $this->start();
        $this->actingAs($this->user);
        $this->postJson("/studio/api/tests/{$this->test}/end", ['winner' => 'b'])->assertOk();
        $this->app['auth']->forgetGuards();
        for ($i = 0; $i < 6; $i++) {
            $this->anotherBrowser();
            self::assertSame('A melody by spring', $this->ask()->json('popups.0.name'));
        }
        $ticket = (string) $this->ask()->json('ticket');
        $this->show($ticket)->assertJsonPath('show', true);
        self::assertSame(0, DB::table('experiment_people')->count());
        // The draft has it, and the next version is without the test.
        $this->publish();
        $this->anotherBrowser();
        self::assertSame('A melody by spring', $this->ask()->json('popups.0.name'));
        self::assertSame(1, PublishedPage::query()->where('version_id', $this->funnel->live_version_id)->where('page_id', $this->popup)
            ->count());
        self::assertNull(Experiment::query()->findOrFail($this->test)->changed_at);
    }

    public function test_what_does_not_fit_the_popup_any_more_cannot_start(): void
    {
        $popup = $this->funnel->parts()->findOrFail($this->popup);
        $popup->change(['on' => false])->save();
        $this->postJson("/studio/api/split-tests/{$this->test}/start")->assertUnprocessable();
        $codes = fn (): array => array_column($this->getJson("/studio/api/funnels/{$this->funnel->id}/check")->json('findings'), 'code');
        self::assertNotContains('popup-off', $codes(), 'one that is not started is in nobody’s way');
        $popup->refresh()->change(['on' => true, 'after' => ['kind' => 'page', 'to' => $this->page],
            'document' => ['sections' => [$popup->definition['document']['sections'][0]]] + $popup->definition['document']])->save();
        self::assertStringContainsString('steps', (string) $this->postJson("/studio/api/split-tests/{$this->test}/start")
            ->assertUnprocessable()->json('message'));
    }
}
