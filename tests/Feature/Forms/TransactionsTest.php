<?php

declare(strict_types=1);

namespace Tests\Feature\Forms;

use App\Models\Delivery;
use App\Models\Message;
use App\Models\Person;
use App\Models\Submission;
use App\Models\Version;
use App\Publishing\Publishing;
use App\Rendering\PageRenderer;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use RuntimeException;
use Tests\TestCase;

/** Whatever breaks in the middle, nothing is stored by halves. */
final class TransactionsTest extends TestCase
{
    /** @return iterable<string, array{string}> the table that cannot be written to */
    public static function tables(): iterable
    {
        foreach (['people', 'submissions', 'events', 'person_tag', 'deliveries', 'messages', 'jobs', 'counts'] as $table) {
            yield $table => [$table];
        }
    }

    #[DataProvider('tables')]
    public function test_a_sign_up_that_breaks_leaves_no_trace_and_can_be_sent_again(string $table): void
    {
        $funnel = $this->live();
        $form = ['first_name' => 'Robin', 'email' => 'robin@example.com'] + $this->form($funnel);
        DB::statement("create trigger broken before insert on {$table} begin select raise(abort, 'the disk is full'); end");
        $this->post('/'.$funnel->address, $form)->assertStatus(500);

        foreach (['people', 'submissions', 'events', 'tags', 'person_tag', 'deliveries', 'messages', 'jobs', 'counts',
            'visitor_person'] as $of) {
            self::assertSame(0, DB::table($of)->count(), $of);
        }
        DB::statement('drop trigger broken');
        $this->post('/'.$funnel->address, $form)->assertRedirect($funnel->url('thank-you'));
        self::assertSame([1, 1, 1, 1],
            [Person::query()->count(), Submission::query()->count(), Delivery::query()->count(), Message::query()->count()]);
    }

    public function test_publishing_that_breaks_leaves_the_live_version_alone(): void
    {
        $funnel = $this->live();
        $live = $funnel->live_version_id;
        $before = (string) $this->get('/'.$funnel->address)->getContent();
        $entry = $this->entry($funnel);
        $document = $entry->document;
        $document['sections'][0]['blocks'][0]['text'] = 'Half a change';
        $entry->forceFill(['document' => $document])->save();
        DB::statement("create trigger broken before update on funnels begin select raise(abort, 'the disk is full'); end");
        try {
            app(Publishing::class)->publish($funnel->refresh(), null);
            self::fail('It was published.');
        } catch (\Illuminate\Database\QueryException) {
            DB::statement('drop trigger broken');
        }

        self::assertSame([1, $live], [Version::query()->count(), $funnel->refresh()->live_version_id]);
        $strip = fn (string $html): string => (string) preg_replace('/name="token" value="[^"]+"/', '', $html);
        self::assertSame($strip($before), $strip((string) $this->get('/'.$funnel->address)->getContent()));
    }

    public function test_a_funnel_whose_making_breaks_is_not_there_at_all(): void
    {
        $owner = $this->owner();
        DB::statement("create trigger broken before insert on ways begin select raise(abort, 'the disk is full'); end");
        $this->actingAs($owner)->post('/studio/api/funnels',
            ['goal' => 'give-away', 'name' => 'x', 'title' => 'x', 'file' => $this->file('plan.pdf', self::pdf())],
            ['Accept' => 'application/json'])
            ->assertStatus(500);

        foreach (['funnels', 'draft_parts', 'ways', 'uploads'] as $of) {
            self::assertSame(0, DB::table($of)->count(), $of);
        }
    }

    public function test_an_error_tells_a_visitor_nothing_of_the_inside(): void
    {
        $funnel = $this->live();
        $this->app->bind(PageRenderer::class, fn () => throw new RuntimeException('secret words'));
        DB::statement("create trigger broken before insert on people begin select raise(abort, 'secret words'); end");
        $form = ['email' => 'robin@example.com'] + $this->form($funnel);

        $this->post('/'.$funnel->address, $form)->assertStatus(500)->assertDontSee('secret words')->assertDontSee('SQLSTATE')
            ->assertDontSee('vendor/');
    }

    public function test_the_same_person_in_two_funnels_has_one_history_and_both_sequences(): void
    {
        $owner = $this->owner();
        $first = $this->live($owner);
        $second = $this->draft($owner, 'A second gift');
        app(Publishing::class)->publish($second, null);
        $this->join($first, ['first_name' => 'Robin', 'email' => 'robin@example.com']);
        $this->join($second->refresh(), ['email' => 'ROBIN@example.com']);
        $this->runQueue();

        $person = Person::query()->with('tags')->sole();
        self::assertSame('Robin', $person->first_name, 'an empty answer does not wipe out a name');
        self::assertSame(['A second gift', 'The Twelve-Minute Practice Plan'], $person->tags->pluck('name')->all());
        self::assertSame(2, Message::query()->where('state', 'sent')->count());
        self::assertSame(2, Delivery::query()->count());
        foreach (Message::query()->get() as $message) {
            $leadMagnet = Delivery::query()->where('funnel_id', $message->funnel_id)->sole();
            self::assertStringContainsString("/f/{$leadMagnet->id}/", (string) $message->text,
                'each email links to the gift of its own funnel');
        }
    }
}
