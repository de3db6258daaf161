<?php

declare(strict_types=1);

namespace Tests\Feature\Release;

use App\Drafts\DraftPlan;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\User;
use App\Models\Version;
use App\Publishing\Publishing;
use App\Rendering\PageRenderer;
use App\Support\Ids;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Plan\Plan;
use PDO;
use Symfony\Component\Process\Process;
use Tests\Core\Plan\Plans;
use Tests\TestCase;

/** A business that comes from an earlier release finds everything as it was. */
final class EarlierReleaseTest extends TestCase
{
    /** A live funnel as the first release left it behind: plan and pages in format 1, drawn for the styles of then. */
    private function earlier(): Funnel
    {
        $funnel = $this->live();
        $version = Version::query()->findOrFail($funnel->live_version_id);
        // Then all emails were one sequence, and nothing said so; the migration gave it the funnel's id.
        $old = Plan::fromArray($version->plan)->sequences[0]->id;
        $plan = json_decode(str_replace($old, $funnel->id,
            (string) json_encode(['format' => 1] + Plans::lists(Plan::fromArray($version->plan)))), true);
        // Nor were there any pop-ups.
        DB::table('draft_parts')->where('kind', 'popup')->delete();
        unset($plan['popups'], $plan['splitTests'], $plan['variants'], $plan['guides'], $plan['guidePages'], $plan['sequences'],
            $plan['sharedSections'],
            $plan['emails'][0]['sequence']);
        foreach (DB::table('draft_parts')->get() as $row) {
            $definition = (array) json_decode(str_replace($old, $funnel->id, $row->definition), true);
            if ($row->kind === 'page') {
                $definition['document'] = ['format' => 1, 'background' => ['colour' => '#e0f0ff']] + $definition['document'];
            }
            DB::table('draft_parts')->where('id', $row->id)
                ->update(['id' => $row->id === $old ? $funnel->id : $row->id, 'definition' => json_encode($definition)]);
        }
        foreach ($plan['pages'] as $i => $page) {
            $plan['pages'][$i]['document'] = ['format' => 1, 'background' => ['colour' => '#e0f0ff']] + $page['document'];
        }
        DB::table('versions')->update(['plan' => json_encode($plan), 'fingerprint' => hash('sha256', 'as it was then')]);
        DB::table('published_pages')->update(['drawn_by' => 1, 'html' => '<html><body class="frame-soft">drawn long ago</body></html>']);

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
        DB::table('published_pages')->update(['drawn_by' => 1, 'html' => 'drawn long ago', 'slots' => '{}', 'policy' => '{}']);

        Artisan::call('lantern:redraw');
        self::assertStringContainsString('1 versions were drawn anew.', Artisan::output());
        self::assertSame(PageRenderer::REVISION, (int) DB::table('published_pages')->min('drawn_by'));
        self::assertSame($plan, DB::table('versions')->value('plan'), 'its plan is never touched');
        self::assertSame($before,
            (string) preg_replace('/value="[^"]+\.[^"]+"/', '', (string) $this->get("/{$funnel->address}")->getContent()));
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
        self::assertSame('sent', $this->message('robin@example.com')->state->value);
    }

    public function test_a_database_of_then_is_brought_up_to_date_with_the_colours_that_were_chosen(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'lantern-earlier');
        $artisan = fn (string ...$arguments): string => (new Process([PHP_BINARY, 'artisan', ...$arguments], base_path(),
            ['DB_DATABASE' => $file, 'APP_ENV' => 'local']))->mustRun()->getOutput();
        $artisan('migrate', '--force', ...array_map(fn (string $f): string => "--path=database/migrations/{$f}",
            preg_grep('/^2026_01_01/', scandir(database_path('migrations'))) ?: []));
        $db = new PDO("sqlite:{$file}");
        $db->exec('insert into businesses (id, name, sender_name, sender_address, postal_address, timezone, currency) values (1, '
            ."'Ferncroft', 'Imke', 'imke@ferncroft.example', '', 'UTC', 'EUR')");
        $db->exec("insert into funnels (id, business_id, name, goal, address, look, accent) values ('01aaaaaaaaaaaaaaaaaaaaaaaa', 1, "
            ."'Mine', 'give-away', 'mine', 'harbour', '#123456'), ('01bbbbbbbbbbbbbbbbbbbbbbbb', 1, 'Yours', 'give-away', 'yours', "
                ."'harbour', null)");
        $db->exec("insert into emails (id, funnel_id, name, subject, body, delay) values ('01eeeeeeeeeeeeeeeeeeeeeeee', "
            ."'01aaaaaaaaaaaaaaaaaaaaaaaa', 'Welcome', 'x', 'x', '{}')");
        $db->exec("insert into forms (id, funnel_id, name, definition) values ('01ffffffffffffffffffffffff', "
            ."'01aaaaaaaaaaaaaaaaaaaaaaaa', 'Form', '{\"button\":\"Go\",\"confirm\":{\"letter\":\"<p>Hello</p>\"}}')");
        $db->exec("insert into people (id, business_id, email, email_key, first_name, joined_at) values ('01pppppppppppppppppppppppp', "
            ."1, 'zoe@example.com', 'zoe@example.com', 'ZOË', '2026-01-05 08:00:00.000')");
        $db->exec('insert into messages (id, business_id, person_id, funnel_id, email_id, kind, unique_key, name, to_address, due_at) '
            ."values ('01mmmmmmmmmmmmmmmmmmmmmmmm', 1, '01pppppppppppppppppppppppp', '01aaaaaaaaaaaaaaaaaaaaaaaa', "
                ."'01eeeeeeeeeeeeeeeeeeeeeeee', 'sequence', 'k', 'Welcome', 'zoe@example.com', '2026-01-05 08:00:00.000')");
        // Which turn it is stood in the key alone.
        foreach (['', ':2', ':d3', ':s01rrrrrrrrrrrrrrrrrrrrrrrr.4', ':2:d3:s01rrrrrrrrrrrrrrrrrrrrrrrr.4'] as $i => $turn) {
            $db->exec('insert into messages (id, business_id, person_id, funnel_id, kind, unique_key, name, to_address, due_at) values ('
                ."'01mmmmmmmmmmmmmmmmmmmmmmm{$i}', 1, '01pppppppppppppppppppppppp', '01aaaaaaaaaaaaaaaaaaaaaaaa', 'sequence', "
                ."'sequence:01eeeeeeeeeeeeeeeeeeeeeeee:01pppppppppppppppppppppppp{$turn}', 'x', 'zoe@example.com', "
                ."'2026-01-05 08:00:00.000')");
        }
        $plan = file_get_contents(base_path('tests/fixtures/plans/format-1.json'));
        $db->prepare('insert into versions (id, funnel_id, number, plan, rendered, fingerprint, published_at) values '
            ."('01vvvvvvvvvvvvvvvvvvvvvvvv', '01aaaaaaaaaaaaaaaaaaaaaaaa', 1, ?, '{}', '', '2026-01-05 08:00:00.000')")->execute([$plan]);
        unset($db);
        $artisan('migrate', '--force');
        $artisan('lantern:redraw');
        $db = new PDO("sqlite:{$file}");
        $changes = $db->query('select address, look_changes from funnels order by id')->fetchAll(PDO::FETCH_KEY_PAIR);
        $sequences = $db->query("select json_extract(e.definition, '$.sequence'), q.name, m.sequence_id, json_extract(q.definition, "
            ."'$.starts[0].form'), json_extract(f.definition, '$.start')
            from draft_parts e join draft_parts q on q.id = json_extract(e.definition,
                '$.sequence') join messages m on m.email_id = e.id join draft_parts f on f.funnel_id = e.funnel_id and f.kind = 'form'
                where e.kind = 'email'")->fetchAll(PDO::FETCH_NUM);
        $name = $db->query('select first_key from people')->fetchColumn();
        $pages = $db->query('select page_id, role, address, length(html) > 1000 from published_pages order by id')
            ->fetchAll(PDO::FETCH_NUM);
        $turns = $db->query("select run, deadline_run, registration_id, registration_number from messages where name = 'x' order by id")
            ->fetchAll(PDO::FETCH_NUM);
        $confirm = $db->query("select json_extract(definition, '$.confirm') from draft_parts where kind = 'form'")->fetchColumn();
        unlink($file);

        self::assertSame([['01aaaaaaaaaaaaaaaaaaaaaaaa', 'Follow-up', '01aaaaaaaaaaaaaaaaaaaaaaaa', '01ffffffffffffffffffffffff', null]],
            $sequences);
        self::assertSame('zoë', $name);
        $registration = '01rrrrrrrrrrrrrrrrrrrrrrrr';
        self::assertSame([[1, 1, null, 0], [2, 1, null, 0], [1, 3, null, 0], [1, 1, $registration, 4], [2, 3, $registration, 4]], $turns);
        self::assertSame(['body' => '<p>Hello</p>'], json_decode((string) $confirm, true));
        $published = array_map(fn (array $p): array => [$p['id'], $p['role'], $p['address'], 1],
            json_decode((string) $plan, true)['pages']);
        self::assertSame($published, $pages, 'each page of a version is a row, drawn from its plan');

        self::assertSame(['mine' => '{"accent":"#123456"}', 'yours' => '{}'], $changes);
    }

    public function test_drafts_segments_and_fields_of_then_are_written_in_the_words_of_today_once(): void
    {
        $funnel = $this->draft($this->owner());
        $old = json_decode((string) file_get_contents(base_path('tests/fixtures/plans/format-5.json')), true);
        DB::table('draft_parts')->delete();
        foreach ($old['parts'] as $i => $part) {
            DB::table('draft_parts')->insert(['id' => Ids::next(), 'funnel_id' => $funnel->id, 'kind' => $part['kind'],
                'name' => $part['name'] ?? '', 'position' => $i, 'revision' => 1,
                'definition' => json_encode((object) array_diff_key($part, ['kind' => 0, 'id' => 0]))]);
        }
        $rules = ['all' => true, 'rules' => [['kind' => 'tag', 'has' => false, 'tag' => 'VIP'],
            ['all' => false, 'rules' => [['kind' => 'standing', 'so' => true, 'standing' => 'bounced']]]]];
        DB::table('segments')->insert(['id' => Ids::next(), 'business_id' => $funnel->business_id, 'name' => 'x',
            'rules' => json_encode($rules)]);
        DB::table('own_fields')->insert(['business_id' => $funnel->business_id, 'name' => 'story', 'label' => 'Story', 'kind' => 'words',
            'options' => '[]']);
        $migration = require database_path('migrations/2026_11_29_000004_one_word_for_one_thing.php');
        $all = fn (): array => [DB::table('draft_parts')->orderBy('id')->pluck('definition')->all(), DB::table('segments')->value('rules'),
            DB::table('own_fields')->value('kind')];
        $migration->up();
        $once = $all();
        $migration->up();
        self::assertSame($once, $all());

        $plan = Plan::fromArray($old);
        $parts = DraftPart::query()->where('funnel_id', $funnel->id)->orderBy('position')->get();
        self::assertCount(count($plan->parts), $parts);
        foreach ($parts as $i => $row) {
            self::assertEquals(array_diff_key($plan->parts[$i]->toArray(), ['id' => 0]), array_diff_key($row->part()->toArray(),
                ['id' => 0]));
        }
        self::assertSame([['kind' => 'tag', 'not' => true, 'tag' => 'VIP'],
            ['all' => false, 'rules' => [['kind' => 'subscription', 'not' => false, 'subscription' => 'bounced']]]],
            array_map(fn (array $r): array => $r, json_decode((string) $once[1], true)['rules']));
        self::assertSame('long_text', $once[2]);
    }
}
