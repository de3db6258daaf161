<?php

declare(strict_types=1);

namespace Tests\Feature\Guides;

use App\Models\Person;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/** A guide from signing up to the last page: who may read what, and what of their reading is believed. */
final class ReadingTest extends GuideTestCase
{
    /** @return array<string, mixed> */
    private function progress(): array
    {
        return (array) DB::table('guide_progress')->first();
    }

    /** @return list<string> */
    private static function events(): array
    {
        return DB::table('events')->where('type', 'like', 'guide-%')->orderBy('id')->pluck('type')->all();
    }

    public function test_a_stranger_reads_what_is_open_and_nothing_else(): void
    {
        $this->opens()->assertSee('Part 0')->assertDontSee('Part 1')->assertDontSee('Before you begin')
            ->assertSee('The rest is yours when you join')->assertDontSee('data-reading', false)
            ->assertSee('href="/'.$this->funnel->address.'"', false);
        // The owner opens it up, and then closes it altogether.
        $this->guide->change(['open' => 3])->save();
        $this->publish();
        $page = (string) $this->opens()->assertSee('Part 2')->assertDontSee('Part 3')->getContent();
        preg_match_all('/href="#([^"]+)"/', $page, $links);
        self::assertCount(8, $links[1], 'three of the contents, two back, two on and one to what is said in place of the rest');
        foreach ($links[1] as $to) {
            self::assertStringContainsString("id=\"{$to}\"", $page);
        }
        $this->guide->refresh()->change(['open' => 0])->save();
        $this->publish();
        $this->opens()->assertDontSee('Part 0')->assertSee('id="p-locked" data-leaf="locked" tabindex="-1" data-here', false);
        $this->guide->refresh()->change(['open' => 60])->save();
        $this->publish();
        $this->opens()->assertSee('Part 5')->assertDontSee('The rest is yours');
    }

    public function test_whoever_joins_reads_on_at_once_and_all_of_it_is_told(): void
    {
        $this->joins('robin@example.com');
        $this->get("/{$this->funnel->address}/thank-you")->assertSee('Read it now')->assertSee('href="'.$this->path().'"', false)
            ->assertDontSee('Tell me where to send it');
        $this->opens()->assertSee('Part 5')->assertDontSee('The rest is yours');
        self::assertSame([], self::events(), 'to open it is no beginning');
        $this->reads(0, 1);
        self::assertSame(['guide-begun', 'guide-read'], self::events());
        self::assertSame([24, 33, $this->pages()[1]->id], [$this->progress()['seconds'], $this->progress()['share'],
            $this->progress()['last_page']]);
        $this->reads(2, 3, 4, 5);
        self::assertSame(['guide-begun', 'guide-read', 'guide-read', 'guide-finished'], self::events());
        self::assertSame([72, 100, 1], [$this->progress()['seconds'], $this->progress()['share'], $this->progress()['stays']]);
        // Read again, it is not finished again.
        $this->travel(2)->days();
        $this->reads(0, 1, 2, 3, 4, 5);
        self::assertCount(4, self::events());
        self::assertSame(2, $this->progress()['stays']);
        $warm = DB::table('warm_days')->pluck('action')->unique()->sort()->values()->all();
        self::assertSame(['finished', 'joined', 'read'], $warm);
    }

    public function test_by_the_link_in_an_email_it_opens_where_they_were_on_any_device(): void
    {
        $this->joins('robin@example.com');
        $this->reads(0, 1, 2);
        $this->followsEmail('robin@example.com');
        $page = $this->opens()->assertSee('Part 5');
        $here = $this->pages()[2]->id;
        self::assertStringContainsString("data-leaf=\"{$here}\" aria-label=\"The first step\" tabindex=\"-1\" data-here",
            (string) $page->getContent());
        $this->travel(1)->hours();
        $this->reads(3);
        self::assertSame([48, 2], [$this->progress()['seconds'], $this->progress()['stays']], 'both devices are one person');
        self::assertSame(1, DB::table('guide_progress')->count());
        self::assertSame(2, DB::table('guide_readings')->count());
    }

    public function test_what_is_written_and_ticked_is_there_when_they_come_back(): void
    {
        $this->joins('robin@example.com');
        $by = self::sealed($this->opens());
        $this->tells($by, answers: [['why', -1, 'For my <grand>father'], ['list', 1, true], ['list', 7, true], ['nothing', 0, true],
            ['why', 0, true], ['list', 0, 'words']])->assertNoContent();
        $this->opens()->assertSee('For my &lt;grand&gt;father', false)->assertSee('data-item="1" checked', false)
            ->assertDontSee('data-item="0" checked', false);
        self::assertSame(2, DB::table('guide_answers')->count());
        // And on the device on which the email is opened.
        $this->followsEmail('robin@example.com');
        $by = self::sealed($this->opens()->assertSee('For my &lt;grand&gt;father', false));
        // What is unticked and emptied there is so for them, and what was said last holds.
        $this->travel(1)->minutes();
        $this->tells($by, answers: [['why', -1, str_repeat('é', 6000)]]);
        $this->opens()->assertSee(str_repeat('é', 5000), false)->assertDontSee(str_repeat('é', 5001), false);
        $this->tells($by, answers: [['why', -1, ' ']]);
        $this->opens()->assertSee('For my &lt;grand&gt;father', false);
    }

    public function test_an_address_that_somebody_typed_shows_nothing_of_whose_it_is(): void
    {
        $this->joins('robin@example.com');
        $this->tells(self::sealed($this->opens()), answers: [['why', -1, 'My secret']]);
        $this->reads(0, 1, 2, 3);
        // Somebody else types that address, in a browser of their own.
        $this->forgetsAll();
        $this->joins('robin@example.com');
        $page = $this->opens()->assertSee('Part 5')->assertDontSee('My secret');
        self::assertStringContainsString('aria-label="Cover" tabindex="-1" data-here', (string) $page->getContent(), 'from the first page');
        $this->tells(self::sealed($page), answers: [['why', -1, 'Mine']]);
        $this->opens()->assertSee('Mine')->assertDontSee('My secret');
    }

    /** @return iterable<string, array{array<string, mixed>}> what is changed of a report that is true */
    public static function forged(): iterable
    {
        yield 'another seal' => [['seal' => str_repeat('a', 32)]];
        yield 'no seal' => [['seal' => '']];
        yield 'a list for a seal' => [['seal' => ['x']]];
        yield 'another reading' => [['reading' => '01hzzzzzzzzzzzzzzzzzzzzzzz']];
        yield 'a reading that is none' => [['reading' => "' or 1=1"]];
        yield 'a reading that is a number' => [['reading' => 7]];
    }

    /** @param  array<string, mixed>  $with */
    #[DataProvider('forged')]
    public function test_a_forged_report_is_nobodys(array $with): void
    {
        $this->joins('robin@example.com');
        [$reading, $seal] = self::sealed($this->opens());
        $this->post('/m/read', $with + ['reading' => $reading, 'seal' => $seal, 'report' => json_encode(['sitting' => '0000000000000001',
            'open' => 0, 'seen' => [[$this->pages()[0]->id, 0, 60, 100]]])])->assertNotFound();
        self::assertSame(0, DB::table('guide_sittings')->count());
    }

    /** @return iterable<string, array{mixed, mixed}> report, answers */
    public static function nonsense(): iterable
    {
        yield 'nothing' => ['', ''];
        yield 'no JSON' => ['{', 'x'];
        yield 'lists where there are none' => [[1, 2], ['a' => 'b']];
        yield 'deep' => [str_repeat('[', 50).str_repeat(']', 50), '[[[[]]]]'];
        yield 'other types' => ['{"sitting":7,"open":"x","seen":{"a":[1,2,3]}}', '[["why",-1,7],["why","x",true],[{},0,true],null,5]'];
        yield 'other types within' => ['{"sitting":"0000000000000001","open":-5,"seen":[[1,2,3,4],["x",1.5,2,3],["x",9e99,1,1],null]}',
            'null'];
        yield 'a name that is too long' => ['{"sitting":"'.str_repeat('0', 400).'","seen":[]}', '[]'];
        yield 'no letters' => ["\xc3\x28", "\xff"];
    }

    #[DataProvider('nonsense')]
    public function test_a_report_that_makes_no_sense_changes_nothing(mixed $report, mixed $answers): void
    {
        $this->joins('robin@example.com');
        [$reading, $seal] = self::sealed($this->opens());
        self::assertLessThan(500, $this->post('/m/read', ['reading' => $reading, 'seal' => $seal, 'report' => $report,
            'answers' => $answers])->getStatusCode());
        self::assertSame([0, 0], [DB::table('guide_answers')->count(), DB::table('guide_progress')->count()]);
    }

    public function test_reports_that_come_twice_late_or_from_the_future_count_what_was(): void
    {
        $this->joins('robin@example.com');
        $by = self::sealed($this->opens());
        $this->tells($by);
        $this->travel(30)->seconds();
        foreach (range(1, 3) as $ignored) {
            $this->tells($by, [[0, 0, 10, 100], [1, 10, 30, 100]], open: 30);
        }
        $this->travel(30)->seconds();
        $this->tells($by, [[2, 45, 60, 100]], open: 60);
        // Late, and before that one; then one that claims the rest of the year.
        $this->tells($by, [[2, 30, 45, 50]], open: 60);
        $this->tells($by, [[3, 0, 30_000_000, 100]], open: 30_000_000);
        self::assertSame(60, $this->progress()['seconds']);
        self::assertSame(1, DB::table('guide_sittings')->count());
    }

    public function test_a_thousand_reports_in_a_moment_are_kept_off(): void
    {
        $this->joins('robin@example.com');
        $by = self::sealed($this->opens());
        $answers = array_map(fn (): int => $this->tells($by)->getStatusCode(), range(1, 125));
        self::assertSame([204 => 120, 429 => 5], array_count_values($answers));
    }

    public function test_more_sittings_than_anybody_has_are_passed_over(): void
    {
        $this->joins('robin@example.com');
        $by = self::sealed($this->opens());
        $row = ['reading_id' => $by[0], 'began' => 1, 'seen' => '{}', 'scrolled' => '{}', 'last_at' => '2027-04-14 10:00:00.000'];
        DB::table('guide_sittings')->insert(array_map(fn (int $i): array => $row + ['sitting' => sprintf('%016x', $i)], range(2, 201)));
        $this->tells($by, [[0, 0, 10, 100]], 'ffffffffffffffff', 10)->assertNoContent();
        self::assertSame(200, DB::table('guide_sittings')->count());
    }

    public function test_what_was_taken_back_is_closed_and_what_an_email_hands_over_is_open(): void
    {
        $this->joins('robin@example.com');
        $this->opens()->assertSee('Part 5');
        $this->travel(1)->minutes();
        DB::table('deliveries')->update(['revoked_at' => now()]);
        $this->opens()->assertDontSee('Part 5');
        $this->followsEmail('robin@example.com');
        $this->opens()->assertDontSee('Part 5', 'taken back is taken back, also by an old link');
        DB::table('deliveries')->delete();
        $this->followsEmail('robin@example.com');
        $this->opens()->assertSee('Part 5');
    }

    public function test_whoever_has_to_confirm_reads_once_they_have(): void
    {
        $form = \App\Models\DraftPart::there($this->funnel->id, 'form')->sole();
        $form->change(['doubleOptIn' => true])->save();
        $this->publish();
        $this->joins('robin@example.com');
        $this->opens()->assertDontSee('Part 5')->assertDontSee('data-reading', false);
    }

    public function test_the_owners_own_reading_counts_nowhere(): void
    {
        $this->actingAs($this->imke);
        $hand = (string) $this->get("/studio/open/{$this->funnel->id}")->headers->get('Location');
        $this->keepCookies($this->get($hand));
        $this->opens()->assertSee('Part 5')->assertDontSee('data-reading', false);
        self::assertSame(0, DB::table('guide_readings')->count());
    }

    public function test_a_guide_that_changes_keeps_what_was_read(): void
    {
        $this->joins('robin@example.com');
        $this->reads(0, 1, 2);
        $pages = $this->pages();
        $pages[5]->forceFill(['removed' => ['at' => 'now']])->save();
        $pages[4]->change(['hidden' => true])->save();
        $this->publish();
        self::assertSame(75, $this->progress()['share'], 'three of the four there are');
        $this->reads(3);
        self::assertSame([100, true], [$this->progress()['share'], $this->progress()['finished_at'] !== null]);
        // A page comes back: nobody has read it, and who was through stays so.
        $pages[5]->forceFill(['removed' => null])->save();
        $this->publish();
        self::assertSame([80, true], [$this->progress()['share'], $this->progress()['finished_at'] !== null]);
        // A version before that is live again.
        app(\App\Publishing\Publishing::class)->switchTo($this->funnel, \App\Models\Version::query()->where('number', 1)->sole());
        self::assertSame(66, $this->progress()['share']);
    }

    public function test_of_two_who_are_one_nothing_is_read_twice(): void
    {
        $this->joins('robin@example.com');
        $this->followsEmail('robin@example.com');
        $this->reads(0, 1);
        $this->tells(self::sealed($this->opens()), answers: [['why', -1, 'One']]);
        $this->forgetsAll();
        $this->joins('robin.ash@example.com');
        $this->followsEmail('robin.ash@example.com');
        $by = self::sealed($this->opens());
        $this->reads(1, 2, 3);
        $this->tells($by, answers: [['why', -1, 'Other'], ['list', 0, true]]);
        [$stays, $goes] = Person::query()->orderBy('id')->get()->all();
        app(\App\People\Privacy\Merge::class)->merge($stays, $goes);

        self::assertSame([1, 1, 66], [DB::table('guide_readings')->count(), DB::table('guide_progress')->count(),
            $this->progress()['share']]);
        self::assertSame([60, $stays->id], [$this->progress()['seconds'], $this->progress()['person_id']]);
        self::assertSame(['One', null], DB::table('guide_answers')->orderBy('block_id', 'desc')->pluck('words')->all());
        // The device of the one who is gone is told so, and nothing is lost.
        $this->tells($by, [[4, 0, 10, 100]], 'eeeeeeeeeeeeeeee', 10)->assertNotFound();
    }

    public function test_with_a_person_all_that_they_read_and_wrote_goes(): void
    {
        $this->joins('robin@example.com');
        $this->reads(0, 1);
        $this->tells(self::sealed($this->opens()), answers: [['why', -1, 'My secret']]);
        app(\App\People\Privacy\Erase::class)->person(Person::query()->sole());
        foreach (['guide_readings', 'guide_sittings', 'guide_answers', 'guide_progress', 'guide_pages_seen'] as $table) {
            self::assertSame(0, DB::table($table)->count(), $table);
        }
        self::assertSame(2, DB::table('events')->where('type', 'like', 'guide-%')->whereNotNull('person_id')->count(),
            'what counts is kept');
    }
}
