<?php

declare(strict_types=1);

namespace Tests\Feature\Popups;

use App\Models\DraftPart;
use App\Models\Person;
use App\Models\Submission;
use App\Popups\VisitCleanup;
use App\Serving\PreviewLink;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** What a visitor meets, from the view of a page to joining and ever after. */
final class PopupsTest extends PopupTestCase
{
    public function test_a_page_says_where_the_script_is_and_nothing_else_of_popups(): void
    {
        $html = (string) $this->get("/{$this->funnel->address}")->assertOk()->getContent();
        self::assertMatchesRegularExpression('~<body[^>]* data-popups="/build/assets/popup-[\w-]+\.js">~', $html);
        self::assertStringNotContainsString('Before you go', $html);
    }

    public function test_it_is_shown_once_joined_in_and_never_again_in_that_browser(): void
    {
        $asked = $this->ask()->assertOk()->assertJsonCount(1, 'popups')->assertJsonPath('popups.0.triggers.0.kind', 'leaving');
        self::assertStringContainsString('<form', $asked->json('popups.0.steps.main'));
        self::assertStringContainsString('Thank you', $asked->json('popups.0.steps.thanks'));
        self::assertStringContainsString('.pop-stage', $asked->json('css'));
        $ticket = $asked->json('ticket');
        $this->show($ticket)->assertJsonPath('show', true);
        self::assertSame([1, 1], [$this->facts('eligible'), $this->facts('shown')]);

        $this->joinIn($ticket)->assertOk()->assertJsonPath('thanks', true);
        $submission = Submission::query()->sole();
        self::assertSame([$this->popup, $this->page, $this->visitor], [$submission->popup_id, $submission->page_id, $submission->visitor]);
        $joined = DB::table('popup_facts')->where('type', 'joined')->sole();
        self::assertSame(['leaving', $submission->person_id], [$joined->opened_by, $joined->person_id]);
        self::assertSame(['Welcome email'], DB::table('messages')->where('person_id', $submission->person_id)->whereNotNull('sequence_id')
            ->orderBy('due_at')->limit(1)->pluck('name')->all());

        $this->travel(400)->days();
        $this->ask()->assertJsonCount(0, 'popups');
    }

    public function test_a_closed_one_stays_away_longer_than_a_seen_one(): void
    {
        $this->post('/w/report', ['ticket' => $this->see(), 'popup' => $this->popup, 'type' => 'closed'])->assertNoContent();
        $this->travel(8)->days();
        $this->ask()->assertJsonCount(0, 'popups');
        $this->travel(23)->days();
        $this->ask()->assertJsonCount(1, 'popups');

        $this->anotherBrowser();
        $this->see();
        $this->travel(8)->days();
        $this->ask()->assertJsonCount(1, 'popups');
    }

    public function test_two_tabs_are_not_both_shown_it(): void
    {
        [$one, $two] = [$this->ask()->json('ticket'), $this->ask()->json('ticket')];
        $this->show($one)->assertJsonPath('show', true);
        $this->show($two)->assertJsonPath('show', false);
        $this->show($one)->assertJsonPath('show', false);
        self::assertSame(1, $this->facts('shown'));
    }

    public function test_it_is_not_shown_to_a_person_in_another_browser_who_has_joined(): void
    {
        $this->joinIn($this->see());
        $person = Person::query()->sole();
        $this->anotherBrowser();
        $this->ask()->assertJsonCount(1, 'popups');
        DB::table('visitor_person')->insert(['visitor' => $this->visitor, 'person_id' => $person->id, 'joined_at' => now()]);
        $this->ask()->assertJsonCount(0, 'popups');
    }

    public function test_the_owner_sees_it_as_often_as_they_look_and_counts_nowhere(): void
    {
        $this->withCookie('lantern_owner', '1');
        $this->see();
        $ticket = $this->see();
        $this->post('/w/report', ['ticket' => $ticket, 'popup' => $this->popup, 'type' => 'closed']);
        self::assertSame([0, 0, 0, 0], [$this->facts('eligible'), $this->facts('shown'), $this->facts('closed'),
            DB::table('popup_visits')->count()]);
    }

    public function test_wrong_answers_are_named_by_field_and_what_was_typed_is_not_lost(): void
    {
        $ticket = $this->see();
        $this->joinIn($ticket, 'not an address')->assertStatus(422)->assertJsonPath('errors.email', fn ($e) => is_string($e) && $e !== '');
        $this->post('/w/join', ['ticket' => $ticket, 'popup' => $this->popup, 'token' => 'made up', 'email' => 'robin@example.com'])
            ->assertStatus(422)->assertJsonStructure(['message', 'token']);
        self::assertSame([0, 0], [Submission::query()->count(), $this->facts('joined')]);
    }

    public function test_forged_and_repeated_reports_change_nothing(): void
    {
        $ticket = $this->see();
        $report = fn (array $of) => $this->post('/w/report', $of)->assertNoContent();
        foreach (range(1, 5) as $ignored) {
            $report(['ticket' => $ticket, 'popup' => $this->popup, 'type' => 'closed']);
        }
        $report(['ticket' => $ticket, 'popup' => $this->popup, 'type' => 'joined']);
        $report(['ticket' => $ticket, 'popup' => $this->popup, 'type' => 'shown']);
        $report(['ticket' => $ticket.'0', 'popup' => $this->popup, 'type' => 'clicked']);
        $report(['ticket' => ['x'], 'popup' => ['y'], 'type' => ['z']]);
        // Seen on one view says nothing of another.
        $report(['ticket' => $this->ask()->json('ticket') ?? '', 'popup' => $this->popup, 'type' => 'clicked']);
        self::assertSame([1, 1, 0, 0], [$this->facts('shown'), $this->facts('closed'), $this->facts('joined'), $this->facts('clicked')]);
    }

    public function test_a_report_that_holds_rules_is_decided_by_ours(): void
    {
        $this->change(['targeting' => ['device' => 'phone']]);
        $this->ask(['rules' => '{"all":true}', 'phone' => '0', 'limits' => ['repeat' => 'always']])->assertJsonCount(0, 'popups');
        $this->ask(['phone' => '1'])->assertJsonCount(1, 'popups');
        $this->ask(['phone' => ['1']])->assertJsonCount(0, 'popups');
    }

    public function test_a_ticket_is_good_for_some_hours_and_for_its_own_funnel(): void
    {
        $ticket = $this->ask()->json('ticket');
        $other = $this->live($this->user);
        $foreign = $this->addPopup(funnel: $other);
        $this->publish($other);
        $this->show($ticket, ['popup' => $foreign->id])->assertJsonPath('show', false);
        $this->travel(13)->hours();
        $this->show($ticket)->assertJsonPath('show', false);
    }

    public function test_storage_switched_off_each_view_is_a_browser_of_its_own(): void
    {
        $this->ask(['visitor' => ''])->assertJsonCount(1, 'popups');
        $ticket = $this->ask(['visitor' => 'x'])->json('ticket');
        $this->show($ticket)->assertJsonPath('show', true);
        $this->ask(['visitor' => ''])->assertJsonCount(1, 'popups');
        self::assertSame(0, DB::table('popup_visits')->count());
    }

    public function test_a_visit_is_counted_once_and_the_next_after_half_an_hour(): void
    {
        $this->change(['limits' => ['repeat' => 'always', 'fromVisit' => 2, 'afterClosed' => 1]]);
        $this->ask()->assertJsonCount(0, 'popups');
        $this->travel(29)->minutes();
        $this->ask()->assertJsonCount(0, 'popups');
        $this->travel(31)->minutes();
        $this->ask()->assertJsonCount(1, 'popups');
        self::assertSame([2, 3], [DB::table('popup_visits')->count(), (int) DB::table('popup_visits')->sum('views')]);
    }

    public function test_a_click_opens_it_whatever_was_seen_before(): void
    {
        $this->change(['triggers' => [['kind' => 'click']]]);
        $ticket = $this->ask()->assertJsonCount(0, 'popups')->json('ticket');
        foreach ([1, 2] as $ignored) {
            $this->show($ticket, ['trigger' => 'click', 'content' => '1'])->assertJsonPath('show', true)
                ->assertJsonPath('popup.id', $this->popup);
        }
        self::assertSame(1, $this->facts('shown'));
    }

    public function test_no_checkout_asks(): void
    {
        self::assertSame([0, 0], [$this->facts('eligible'), DB::table('popup_visits')->count()]);
        $this->ask(['page' => '01jgone0000000000000000000'])->assertOk()->assertJsonCount(0, 'popups')->assertJsonMissing(['ticket']);
        $this->ask(['page' => $this->popup])->assertJsonCount(0, 'popups');
        $this->post('/w/ask', [])->assertOk()->assertJsonCount(0, 'popups');
    }

    public function test_one_that_is_off_is_not_published(): void
    {
        $this->change(['on' => false]);
        $this->ask()->assertJsonCount(0, 'popups');
        $this->get("/p/{$this->popup}")->assertNotFound();
        self::assertStringNotContainsString('data-popups', (string) $this->get("/{$this->funnel->address}")->getContent());
    }

    public function test_without_script_it_is_a_page_of_its_own(): void
    {
        $html = (string) $this->get("/p/{$this->popup}")->assertOk()->assertHeader('X-Frame-Options', 'SAMEORIGIN')->getContent();
        self::assertStringContainsString("action=\"/p/{$this->popup}\"", $html);
        self::assertStringNotContainsString('Thank you', $html);
        preg_match('/name="token" value="([^"]+)"/', $html, $token);
        $this->travel(5)->seconds();
        $fields = ['token' => $token[1], 'form' => $this->form, 'first_name' => 'Robin', 'consent' => 'yes'];
        $this->post("/p/{$this->popup}", $fields + ['email' => 'no'])->assertStatus(422)->assertSee('value="no"', false);
        $this->post("/p/{$this->popup}", $fields + ['email' => 'robin@example.com'])->assertOk()->assertSee('Thank you');
        self::assertSame($this->popup, Submission::query()->sole()->popup_id);
    }

    public function test_in_a_frame_it_may_stand_on_the_pages_of_others(): void
    {
        $framed = $this->get("/p/{$this->popup}?frame=1")->assertOk()->assertHeaderMissing('X-Frame-Options');
        self::assertStringContainsString('frame-ancestors *', (string) $framed->headers->get('Content-Security-Policy'));
        $framed->assertSee("action=\"/p/{$this->popup}?frame=1\"", false);
    }

    public function test_whoever_comes_by_a_link_in_an_email_is_left_alone_on_that_visit(): void
    {
        $person = $this->joinBrowser();
        $this->ask()->assertJsonCount(1, 'popups');
        $this->travel(1)->hours();
        DB::table('events')->insert(['business_id' => $this->user->business_id, 'type' => 'clicked', 'person_id' => $person,
            'at' => now()->format('Y-m-d H:i:s.u')]);
        $this->travel(5)->seconds();
        $this->ask()->assertJsonCount(0, 'popups');
        $this->travel(20)->minutes();
        $this->ask()->assertJsonCount(0, 'popups');
        $this->travel(31)->minutes();
        $this->ask()->assertJsonCount(1, 'popups');
    }

    private function joinBrowser(): string
    {
        $person = Person::query()->create(['business_id' => $this->user->business_id, 'email' => 'kim@example.com',
            'email_key' => 'kim@example.com', 'joined_at' => now()])->id;
        DB::table('visitor_person')->insert(['visitor' => $this->visitor, 'person_id' => $person, 'joined_at' => now()]);

        return $person;
    }

    public function test_whoever_has_bought_or_is_among_those_who_never_see_it_is_left_alone(): void
    {
        DB::table('events')->insert(['business_id' => $this->user->business_id, 'type' => 'bought', 'visitor' => $this->visitor,
            'funnel_id' => $this->funnel->id, 'at' => now()->subYear()->format('Y-m-d H:i:s.u')]);
        $this->ask()->assertJsonCount(0, 'popups');
        $this->anotherBrowser();
        $this->change(['never' => ['all' => true, 'rules' => [['kind' => 'tag', 'tag' => 'Cellist']]]]);
        $person = $this->joinBrowser();
        $this->ask()->assertJsonCount(1, 'popups');
        $tag = DB::table('tags')->insertGetId(['business_id' => $this->user->business_id, 'name' => 'Cellist', 'name_key' => 'cellist']);
        DB::table('person_tag')->insert(['person_id' => $person, 'tag_id' => $tag, 'tagged_at' => now()]);
        $this->ask()->assertJsonCount(0, 'popups');
    }

    public function test_what_was_shown_is_known_however_often_it_could_have_been_since(): void
    {
        $this->change(['limits' => ['repeat' => 'once', 'afterClosed' => 1]]);
        $this->see();
        $fact = (array) DB::table('popup_facts')->where('type', 'eligible')->first();
        foreach (range(1, 450) as $i) {
            DB::table('popup_facts')->insert(['id' => null, 'view' => sprintf('%032d', $i)] + $fact);
        }
        $this->travel(40)->days();
        $this->ask()->assertJsonCount(0, 'popups');
    }

    public function test_forms_are_not_taken_in_floods(): void
    {
        config(['lantern.signups.per_address' => 1]);
        $ticket = $this->see();
        $this->joinIn($ticket)->assertOk();
        $this->joinIn($ticket, 'wren@example.com')->assertStatus(429)->assertJsonStructure(['message']);
        self::assertSame(1, Submission::query()->count());
    }

    /** @param  array<string, mixed>  $values */
    private function changeForm(array $values): void
    {
        $this->funnel->parts()->where('kind', 'form')->findOrFail($this->form)->change($values)->save();
        $this->publish();
    }

    public function test_a_form_of_two_steps_asks_for_the_rest_after_the_address_and_in_the_same_place(): void
    {
        $this->changeForm(['fields' => [['kind' => 'email'], ['kind' => 'short_text', 'name' => 'level', 'label' => 'Level', 'step' => 2,
            'required' => true]]]);
        $ticket = $this->see();
        $first = $this->joinIn($ticket)->assertOk()->assertJsonPath('step', 2);
        self::assertSame(1, Submission::query()->count(), 'whoever leaves now has joined');
        $second = fn (array $with) => $this->post('/w/join', $with + ['ticket' => $ticket, 'popup' => $this->popup, 'form' => $this->form,
            'step' => '2', 'token' => $first->json('token'), 'joined' => $first->json('joined')]);
        $this->travel(5)->seconds();
        $second([])->assertStatus(422)->assertJsonStructure(['errors' => ['level']]);
        $second(['level' => 'Beginner', 'joined' => Submission::query()->value('id').'.made-up'])->assertStatus(422)
            ->assertJsonStructure(['message']);
        $second(['level' => 'Beginner'])->assertOk()->assertJsonPath('thanks', true);
        self::assertSame('Beginner', Submission::query()->sole()->answers['level'] ?? null);
    }

    public function test_an_address_that_is_to_be_confirmed_is_asked_for_and_nobody_is_in_before(): void
    {
        $this->changeForm(['doubleOptIn' => true]);
        $this->joinIn($this->see())->assertOk()->assertJsonPath('thanks', true);
        self::assertSame(['waiting', 0], [Submission::query()->sole()->state->value, DB::table('messages')->whereNotNull('sequence_id')
            ->count()]);
        self::assertSame(1, DB::table('confirmations')->count());
        // Whoever has filled it in is not asked again, whether they have confirmed or not.
        $this->travel(60)->days();
        $this->ask()->assertJsonCount(0, 'popups');
        $this->anotherBrowser();
        $document = $this->funnel->parts()->where('kind', 'popup')->findOrFail($this->popup)->definition['document'];
        array_pop($document['sections']);
        $this->change(['document' => $document, 'after' => ['kind' => 'page', 'to' => '']]);
        $go = (string) $this->joinIn($this->see(), 'kim@example.com')->json('go');
        self::assertStringContainsString('/c/wait/', $go);
    }

    public function test_a_hidden_field_takes_what_the_address_says(): void
    {
        $this->changeForm(['fields' => [['kind' => 'email'], ['kind' => 'hidden', 'name' => 'topic', 'label' => 'Topic',
            'parameter' => 'utm_term']]]);
        $ticket = (string) $this->ask(['source' => 'utm_term=rosin%3Cb%3E&x[]=1'])->json('ticket');
        $this->joinIn($ticket)->assertOk();
        self::assertSame('rosin<b>', Submission::query()->sole()->answers['topic'] ?? null);
    }

    public function test_answers_are_packed_for_whoever_can_unpack_them(): void
    {
        $packed = $this->withHeaders(['Accept-Encoding' => 'gzip, br'])->ask()->assertHeader('Content-Encoding', 'gzip')
            ->assertHeader('Vary', 'Accept-Encoding');
        $given = json_decode((string) gzdecode((string) $packed->getContent()), true);
        self::assertSame($this->popup, $given['popups'][0]['id']);
        self::assertLessThan(10_000, strlen((string) $packed->getContent()));
    }

    public function test_floods_are_held_up_and_cost_the_visitor_nothing_but_the_popup(): void
    {
        foreach (range(1, 300) as $ignored) {
            $this->post('/w/report', ['ticket' => 'x'])->assertNoContent();
        }
        $this->ask()->assertStatus(429);
        $this->get("/{$this->funnel->address}")->assertOk();
        $this->travel(61)->seconds();
        $this->ask()->assertJsonCount(1, 'popups');
    }

    public function test_it_is_played_over_a_draft_with_its_words_kept_from_running(): void
    {
        $row = $this->funnel->parts()->where('kind', 'popup')->findOrFail($this->popup);
        $document = $row->definition['document'];
        $document['sections'][0]['blocks'][0]['text'] = '</script><script>alert(1)</script>';
        $row->change(['document' => $document])->save();
        $url = PreviewLink::make($this->funnel->id, CarbonImmutable::now()->addDay());
        $html = (string) $this->get($url."&popup={$this->popup}")->assertOk()->getContent();
        preg_match('~<script type="application/json" id="lantern-preview">(.*?)</script><script async~s', $html, $m);
        $given = json_decode($m[1] ?? '', true);
        self::assertSame($this->popup, $given['popups'][0]['id'] ?? null);
        self::assertStringContainsString('&lt;/script&gt;', $given['popups'][0]['steps']['main']);
        self::assertStringNotContainsString('lantern-preview', (string) $this->get($url.'&popup=x')->getContent());
    }

    public function test_what_is_known_of_strangers_goes_after_a_year_and_a_month(): void
    {
        $this->see();
        $this->travel(399)->days();
        self::assertSame(0, app(VisitCleanup::class)->tidy(CarbonImmutable::now()));
        $this->travel(2)->days();
        self::assertSame(2, app(VisitCleanup::class)->tidy(CarbonImmutable::now()));
        self::assertSame([0, 0, 1], [DB::table('popup_visits')->count(), $this->facts('eligible'), $this->facts('shown')]);
    }

    public function test_a_persons_history_and_the_results_say_where_they_joined(): void
    {
        $this->joinIn($this->see());
        $person = Person::query()->sole();
        $this->actingAs($this->user);
        self::assertContains('Before you go', $this->getJson("/studio/api/people/{$person->id}")->assertOk()->json('history.*.what'));
        $this->getJson("/studio/api/funnels/{$this->funnel->id}/popups")->assertOk()->assertJsonCount(1, 'popups')
            ->assertJsonPath('popups.0.numbers.joined', 1)->assertJsonPath('popups.0.triggers.0.trigger', 'leaving')
            ->assertJsonPath('popups.0.triggers.0.rate.successes', 1)->assertJsonPath('popups.0.places.0.name', 'Opt-in page');
    }

    public function test_its_tag_and_its_file_follow_joining_in_it_alone(): void
    {
        $this->change(['tag' => 'From the pop-up']);
        $this->joinIn($this->see());
        $this->join($this->funnel, ['email' => 'kim@example.com', 'first_name' => 'Kim', 'consent' => 'yes']);
        $tagged = DB::table('person_tag')->join('tags', 'tags.id', '=', 'person_tag.tag_id')->where('tags.name', 'From the pop-up')
            ->join('people', 'people.id', '=', 'person_tag.person_id')->pluck('email')->all();
        self::assertSame(['robin@example.com'], $tagged);
    }

    public function test_its_rules_may_speak_of_other_funnels_and_its_places_of_this_one_alone(): void
    {
        [$one, $other] = DraftPart::there($this->draft($this->user, 'Elsewhere')->id, 'page')->pluck('id')->all();
        $put = fn (array $values) => $this->actingAs($this->user)->putJson("/studio/api/parts/{$this->popup}", $values
            + ['revision' => DraftPart::query()->findOrFail($this->popup)->revision]);
        $put(['never' => ['all' => true, 'rules' => [['kind' => 'deed', 'deed' => 'viewed', 'with' => $one]]]])
            ->assertOk();
        $put(['targeting' => ['pages' => 'some', 'ids' => [$other]]])->assertStatus(422)->assertJsonValidationErrorFor('popup');
    }
}
