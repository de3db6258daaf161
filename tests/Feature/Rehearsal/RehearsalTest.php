<?php

declare(strict_types=1);

namespace Tests\Feature\Rehearsal;

use App\Models\Person;
use App\People\Tags\Tagging;
use App\Publishing\Publishing;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Deadlines\Deadline;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\Sales\SalesTestCase;

/** Rehearsals over the Studio's API: a draft is played, nothing is stored, and a kept way is played again before it goes live. */
final class RehearsalTest extends SalesTestCase
{
    private const TAG = 'Interested in First Season';

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->seller);
    }

    public function test_a_way_is_played_and_seen_and_nothing_is_stored(): void
    {
        $before = $this->everything();
        $played = $this->play([['do' => 'get-tag', 'of' => self::TAG], $this->click('The introductory price')])->assertOk();
        self::assertSame(['Gets the tag “Interested in First Season”',
            'Follows the link to “Sales page, introductory” in “The introductory price”'],
            array_column($played->json('chosen'), 'words'));
        self::assertSame('Sales page, introductory', $played->json('page.name'));
        self::assertSame('2027-04-17T08:00:00Z', $played->json('deadlines.0.ends'), 'eight in the evening in Auckland');
        self::assertContains('Chooses the offer', array_column($played->json('options'), 'words'));
        $page = (string) $this->look([['do' => 'get-tag', 'of' => self::TAG], $this->click('The introductory price')])->json('html');
        self::assertStringContainsString('17 April at 20:00', $page);
        self::assertStringNotContainsString('<script', $page);
        $mail = $this->look([['do' => 'get-tag', 'of' => self::TAG]], ['mail' => 0]);
        self::assertNotSame('', $mail->json('subject'));
        self::assertStringContainsString('Robin', (string) $mail->json('html'));
        // “One day left”, looked at two weeks later, says what it said when it came.
        $late = $this->look([['do' => 'get-tag', 'of' => self::TAG], $this->click('The introductory price'),
            ['do' => 'wait', 'minutes' => 20_160]], ['mail' => 1]);
        self::assertSame('One day left', $late->json('subject'));
        self::assertStringContainsString('ends on Saturday 17 April at 20:00, Auckland time', (string) $late->json('html'));
        self::assertSame($before, $this->everything());
    }

    public function test_a_real_persons_facts_are_played_and_the_person_is_not_touched(): void
    {
        $person = Person::query()->create(['business_id' => $this->seller->business_id, 'email' => 'kim@example.com',
            'email_key' => 'kim@example.com', 'joined_at' => now(), 'timezone' => 'Europe/Oslo', 'first_name' => 'Kim']);
        app(Tagging::class)->add($person, self::TAG, CarbonImmutable::now());
        $this->runQueue();
        $before = $this->everything();
        $played = $this->post_('rehearsal', ['person' => $person->id, 'start' => '2027-04-14T10:00:00Z',
            'choices' => [$this->click('The introductory price')]]);
        self::assertSame([self::TAG], $played->json('tags'));
        self::assertSame('This email has not come.', $played->json('happened.0.words'),
            'what came before the rehearsal is not in its mailbox');
        $this->post_('promises', ['person' => $person->id, 'name' => 'x', 'choices' => [['do' => 'come']]])->assertStatus(422)
            ->assertJsonValidationErrors('person');
        self::assertSame($before, $this->everything());
    }

    public function test_a_promise_is_kept_and_says_before_publishing_what_would_break_it(): void
    {
        $choices = [['do' => 'get-tag', 'of' => self::TAG], $this->click('The introductory price'), ['do' => 'wait', 'minutes' => 4_000],
            ['do' => 'come', 'of' => $this->page('introductory')]];
        $kept = $this->post_('promises', ['name' => 'Sees the price for three days', 'choices' => $choices,
            'visitor' => ['zone' => 'Pacific/Auckland'], 'start' => '2027-04-14T10:00:00Z'])->assertCreated();
        self::assertSame([[]], array_column($this->promises(), 'broken'));
        // It belongs to the draft, and to nothing that is public.
        self::assertFalse($this->getJson("/studio/api/funnels/{$this->funnel->id}")->json('changed'));
        app(Publishing::class)->publish($this->funnel->refresh(), null);
        self::assertSame([], $this->plan()->promises());

        $row = $this->part('Introductory price', Deadline::kind());
        $row->change(['duration' => ['days' => 1, 'time' => '20:00']])->save();
        $broken = $this->promises()[0]['broken'];
        self::assertContains('“Introductory price” ends on Thursday 15 April at 20:00 and not on Saturday 17 April at 20:00.', $broken);
        self::assertStringContainsString('They see “Sales page”. It was: they see “Sales page, introductory”.', end($broken));
        $this->postJson("/studio/api/parts/{$kept->json('id')}/promise/renew")->assertOk();
        self::assertSame([[]], array_column($this->promises(), 'broken'));

        $this->deleteJson("/studio/api/parts/{$kept->json('id')}")->assertOk();
        self::assertSame([], $this->promises());
        $this->postJson("/studio/api/parts/{$kept->json('id')}/restore")->assertOk();
        self::assertCount(1, $this->promises());
    }

    public function test_a_promise_about_a_part_that_was_removed_says_so(): void
    {
        $this->post_('promises', ['name' => 'Gets one email', 'choices' => [['do' => 'get-tag', 'of' => self::TAG]]])->assertCreated();
        $email = $this->part('The introductory price', 'email');
        $this->deleteJson("/studio/api/parts/{$email->id}")->assertOk();
        self::assertStringContainsString('“The introductory price” does not come any more.', $this->promises()[0]['broken'][0]);
    }

    public function test_a_copy_of_the_funnel_keeps_its_promises(): void
    {
        $this->post_('promises', ['name' => 'Gets one email', 'choices' => [['do' => 'get-tag', 'of' => self::TAG],
            $this->click('The introductory price')]])->assertCreated();
        $copy = $this->postJson("/studio/api/funnels/{$this->funnel->id}/duplicate")->assertSuccessful()->json('id');
        $promises = $this->getJson("/studio/api/funnels/{$copy}/promises")->json('promises');
        // As long as both are live, both write.
        self::assertSame([['“The introductory price” comes as well, on Wednesday 14 April at 13:00.']], array_column($promises, 'broken'));
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/close")->assertOk();
        self::assertSame([[]], array_column($this->getJson("/studio/api/funnels/{$copy}/promises")->json('promises'), 'broken'));
    }

    public function test_all_ways_are_tried_and_each_can_be_shown(): void
    {
        $ways = $this->getJson("/studio/api/funnels/{$this->funnel->id}/all-ways")->assertOk();
        self::assertFalse($ways->json('cut'));
        self::assertSame([], $ways->json('findings'));
        foreach ($ways->json('kinds') as $kind) {
            $shown = $this->post_('rehearsal', ['visitor' => $ways->json('visitor'), 'start' => $kind['start'], 'choices' => $kind['way']]);
            self::assertSame($kind['emails'], count($shown->json('mails')), $kind['words']);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function hostile(): iterable
    {
        yield 'no such choice' => [['choices' => [['do' => 'fly']]], 'choices.0.do'];
        yield 'choices that are no list' => [['choices' => 'come'], 'choices'];
        yield 'a choice that is none' => [['choices' => ['come']], 'choices.0'];
        yield 'a number for a name' => [['visitor' => ['name' => 7]], 'visitor.name'];
        yield 'a zone that is none' => [['visitor' => ['zone' => '../etc']], 'visitor.zone'];
        yield 'an address that is none' => [['visitor' => ['email' => "a\r\nb"]], 'visitor.email'];
        yield 'a start that is none' => [['start' => '31.12.2027'], 'start'];
        yield 'a person of nobody' => [['person' => str_repeat('0', 26)], 'person'];
        yield 'a person that is none' => [['person' => 'x'], 'person'];
    }

    /** @param  array<string, mixed>  $body */
    #[DataProvider('hostile')]
    public function test_what_cannot_be_played_is_refused_by_its_place(array $body, string $path): void
    {
        $this->post_('rehearsal', $body)->assertStatus(422)->assertJsonValidationErrors($path);
    }

    public function test_whatever_ids_a_choice_names_it_is_told_and_no_error(): void
    {
        foreach (['come', 'press', 'join', 'click', 'buy', 'accept', 'decline', 'attend', 'watch-replay', 'read', 'download', 'unsubscribe',
            'close-popup', 'confirm', 'get-tag', 'wait', 'other-device', 'card-refused'] as $do) {
            foreach (['', 'x', "'; drop table people", str_repeat('9', 26)] as $of) {
                $this->play([['do' => $do, 'of' => $of, 'to' => "page:{$of}", 'popup' => $of, 'bumps' => [$of], 'session' => 'd']])
                    ->assertOk();
            }
        }
        $this->look([], ['mail' => 3])->assertNotFound();
    }

    /** @param  list<array<string, mixed>>  $choices */
    private function play(array $choices): TestResponse
    {
        return $this->post_('rehearsal', ['visitor' => ['zone' => 'Pacific/Auckland'], 'start' => '2027-04-14T10:00:00Z',
            'choices' => $choices]);
    }

    /**
     * @param  list<array<string, mixed>>  $choices
     * @param  array<string, mixed>  $more
     */
    private function look(array $choices, array $more = []): TestResponse
    {
        return $this->post_('rehearsal/look', $more + ['visitor' => ['zone' => 'Pacific/Auckland'], 'start' => '2027-04-14T10:00:00Z',
            'choices' => $choices]);
    }

    /** @param  array<string, mixed>  $body */
    private function post_(string $what, array $body): TestResponse
    {
        return $this->postJson("/studio/api/funnels/{$this->funnel->id}/{$what}", $body);
    }

    /** @return list<array{name: string, broken: list<string>}> */
    private function promises(): array
    {
        return $this->getJson("/studio/api/funnels/{$this->funnel->id}/promises")->assertOk()->json('promises');
    }

    /** @return array<string, string> */
    private function click(string $email): array
    {
        return ['do' => 'click', 'of' => $this->part($email, 'email')->id];
    }

    private function page(string $address): string
    {
        return $this->plan()->pageAt($address)->id ?? '';
    }

    /** @return array<string, string> every table, as one hash */
    private function everything(): array
    {
        $tables = array_column(DB::select("select name from sqlite_master where type = 'table'"), 'name');
        $hashes = [];
        foreach (array_diff($tables, ['cache', 'sessions', 'cache_locks']) as $table) {
            $hashes[$table] = md5((string) json_encode(DB::table($table)->get()));
        }

        return $hashes;
    }
}
