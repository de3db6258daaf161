<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Funnels\DraftPlan;
use App\Funnels\Publishing;
use App\Models\Funnel;
use App\Models\User;
use App\Models\Version;
use App\Site\PageRenderer;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PDO;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** A business that comes from an earlier release finds everything as it was. */
final class EarlierReleaseTest extends TestCase
{
    /** A live funnel as the first release left it behind: plan and pages in format 1, drawn for the styles of then. */
    private function earlier(): Funnel
    {
        $funnel = $this->live();
        $version = Version::query()->findOrFail($funnel->live_version_id);
        $plan = ['format' => 1] + $version->plan;
        foreach ($plan['pages'] as $i => $page) {
            $plan['pages'][$i]['document'] = ['format' => 1, 'background' => ['colour' => '#e0f0ff']] + $page['document'];
        }
        foreach (DB::table('pages')->get() as $page) {
            $document = ['format' => 1, 'background' => ['colour' => '#e0f0ff']] + (array) json_decode($page->document, true);
            DB::table('pages')->where('id', $page->id)->update(['document' => json_encode($document)]);
        }
        DB::table('versions')->update(['plan' => json_encode($plan), 'fingerprint' => hash('sha256', 'as it was then'), 'drawn_by' => 1,
            'rendered' => json_encode(array_map(fn (): string => '<html><body class="frame-soft">drawn long ago</body></html>', $version->rendered))]);

        return $funnel->refresh();
    }

    public function test_its_pages_are_drawn_for_todays_styles_from_the_first_visit_on(): void
    {
        $funnel = $this->earlier();

        $this->get("/{$funnel->address}")->assertOk()->assertSee('The Twelve-Minute Practice Plan')->assertDontSee('drawn long ago')
            ->assertSee('class="section k-opening', false)->assertSee('background:#e0f0ff', false);
    }

    public function test_they_are_drawn_anew_once_and_say_what_they_said(): void
    {
        $funnel = $this->earlier();
        $before = (string) preg_replace('/value="[^"]+\.[^"]+"/', '', (string) $this->get("/{$funnel->address}")->getContent());
        $plan = DB::table('versions')->value('plan');

        Artisan::call('lantern:redraw');
        self::assertStringContainsString('1 versions were drawn anew.', Artisan::output());
        self::assertSame(PageRenderer::REVISION, (int) DB::table('versions')->value('drawn_by'));
        self::assertSame($plan, DB::table('versions')->value('plan'), 'its plan is never touched');
        self::assertSame($before, (string) preg_replace('/value="[^"]+\.[^"]+"/', '', (string) $this->get("/{$funnel->address}")->getContent()));
        Artisan::call('lantern:redraw');
        self::assertStringContainsString('0 versions were drawn anew.', Artisan::output());
    }

    public function test_nothing_is_said_to_have_changed(): void
    {
        $funnel = $this->earlier();
        $owner = $funnel->business->id;
        $this->actingAs(User::query()->where('business_id', $owner)->firstOrFail());

        self::assertFalse(Publishing::differs($funnel, DraftPlan::read($funnel)));
        $this->getJson("/studio/api/funnels/{$funnel->id}")->assertOk()->assertJsonPath('changed', false);
        $this->getJson("/studio/api/funnels/{$funnel->id}/changes")->assertJsonPath('changes', []);
        $this->putJson("/studio/api/funnels/{$funnel->id}", ['look' => 'salon'])->assertOk();
        $this->getJson("/studio/api/funnels/{$funnel->id}")->assertJsonPath('changed', true);
    }

    public function test_people_go_on_joining(): void
    {
        $funnel = $this->earlier();

        $this->join($funnel, ['email' => 'robin@example.com'])->assertStatus(303)->assertRedirect($funnel->url('thank-you'));
        $this->runQueue();
        self::assertSame('sent', $this->message('robin@example.com')->state);
    }

    public function test_a_database_of_then_is_brought_up_to_date_with_the_colours_that_were_chosen(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'lantern-earlier');
        $artisan = fn (string ...$arguments): string => (new Process([PHP_BINARY, 'artisan', ...$arguments], base_path(), ['DB_DATABASE' => $file, 'APP_ENV' => 'local']))->mustRun()->getOutput();
        $artisan('migrate', '--force', ...array_map(fn (string $f): string => "--path=database/migrations/{$f}", preg_grep('/^2026_01_01/', scandir(database_path('migrations'))) ?: []));
        $db = new PDO("sqlite:{$file}");
        $db->exec("insert into businesses (id, name, sender_name, sender_address, postal_address, timezone, currency) values (1, 'Ferncroft', 'Imke', 'imke@ferncroft.example', '', 'UTC', 'EUR')");
        $db->exec("insert into funnels (id, business_id, name, goal, address, look, accent) values ('01aaaaaaaaaaaaaaaaaaaaaaaa', 1, 'Mine', 'give-away', 'mine', 'harbour', '#123456'), ('01bbbbbbbbbbbbbbbbbbbbbbbb', 1, 'Yours', 'give-away', 'yours', 'harbour', null)");
        unset($db);
        $artisan('migrate', '--force');
        $artisan('lantern:redraw');
        $changes = (new PDO("sqlite:{$file}"))->query('select address, look_changes from funnels order by id')->fetchAll(PDO::FETCH_KEY_PAIR);
        unlink($file);

        self::assertSame(['mine' => '{"accent":"#123456"}', 'yours' => '{}'], $changes);
    }
}
