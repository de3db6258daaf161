<?php

declare(strict_types=1);

namespace Tests\Feature\Results;

use App\Models\Person;
use App\Models\PublishedPage;
use App\People\Privacy\Merge;
use App\Results\Counts;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Which buttons are pressed, and how far people read. */
final class ReadingTest extends TestCase
{
    public function test_how_far_they_read_and_what_they_press(): void
    {
        $owner = $this->owner();
        $funnel = $this->live($owner);
        $page = $this->entry($funnel)->id;
        $places = PublishedPage::query()->where('page_id', $page)->sole()->places ?? self::fail('It has places.');
        $html = (string) $this->get('/'.$funnel->address)->getContent();
        self::assertSame(1, preg_match('/data-b="(\d+)"/', $html, $m));
        $form = $places['blocks'][(int) $m[1]];
        $last = count($places['sections']) - 1;
        $did = fn (string $visitor, string $what, mixed $at) => $this->post('/m/did', ['funnel' => $funnel->id, 'page' => $page,
            'visitor' => md5($visitor), 'did' => $what, 'at' => $at])->assertNoContent();
        foreach (['a', 'b', 'c', 'd'] as $visitor) {
            $this->post('/m/view', ['funnel' => $funnel->id, 'page' => $page, 'visitor' => md5($visitor)]);
        }
        foreach ([['a', 0], ['b', 0], ['c', 0], ['d', $last]] as [$visitor, $at]) {
            $did($visitor, 'read', $at);
        }
        $did('d', 'press', $m[1]);
        $did('d', 'press', $m[1]);

        $reading = $this->actingAs($owner)->getJson("/studio/api/pages/{$page}/reading?days=7")->assertOk()->assertJsonPath('views', 4)
            ->assertJsonPath('read', 4)->assertJsonPath('buttons.0.id', $form)->assertJsonPath('buttons.0.clicks', 2)
            ->assertJsonPath('buttons.0.people', 1)->assertJsonPath('buttons.0.rate.rate', 0.25)
            ->assertJsonPath('sections.0.reached.rate', 1)
            ->assertJsonPath('sections.0.stopped', 3);
        if ($last > 0) {
            $reading->assertJsonPath('sections.1.reached.rate', 0.25);
            self::assertStringStartsWith('Half of those who come do not get as far as', (string) $reading->json('sentence'));
        }
        $this->getJson("/studio/api/funnels/{$funnel->id}/results?days=7")->assertJsonPath('steps.0.clicks', 2);
        // A sign-up counts for its form, and for what was pressed before it; the second one of the same person for nothing.
        [$heading] = array_values(array_diff($places['blocks'], [$form]));
        $did('e', 'press', array_search($heading, $places['blocks'], true));
        $this->join($funnel, ['email' => 'robin@example.com', 'visitor' => md5('e')]);
        $this->join($funnel, ['email' => 'robin@example.com', 'visitor' => md5('d')]);
        $this->join($funnel, ['email' => 'ada@example.com', 'visitor' => md5('g')]);
        $buttons = collect($this->getJson("/studio/api/pages/{$page}/reading?days=7")->json('buttons'))->keyBy('id');
        self::assertSame([2, 1], [$buttons[$form]['signups'], $buttons[$heading]['signups']]);
        [$robin, $ada] = [Person::query()->where('email', 'robin@example.com')->sole(), Person::query()->where('email', 'ada@example.com')
            ->sole()];
        app(Merge::class)->merge($ada, $robin);
        self::assertSame(0, app(Counts::class)->differences($owner->business));
        $before = DB::table('counts')->orderBy('slice')->orderBy('measure')->orderBy('page_id')->get()->all();
        app(Counts::class)->rebuild($owner->business);
        self::assertEquals($before, DB::table('counts')->orderBy('slice')->orderBy('measure')->orderBy('page_id')->get()->all());
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, string>}> */
    public static function nothing(): iterable
    {
        yield 'another deed' => [['did' => 'steal'], []];
        yield 'no deed' => [['did' => ['press']], []];
        yield 'a place that is not' => [['at' => 999], []];
        yield 'before the first' => [['at' => -1], []];
        yield 'words' => [['at' => 'first'], []];
        yield 'a variant that is not' => [['variant' => 'c'], []];
        yield 'another page' => [['page' => '01aaaaaaaaaaaaaaaaaaaaaaaa'], []];
        yield 'no visitor' => [['visitor' => 'x'], []];
        yield 'a program' => [[], ['User-Agent' => 'Somebot/1.0']];
    }

    /**
     * @param  array<string, mixed>  $told
     * @param  array<string, string>  $headers
     */
    #[DataProvider('nothing')]
    public function test_what_is_not_so_is_not_counted(array $told, array $headers): void
    {
        $funnel = $this->live();
        $this->post('/m/did', $told + ['funnel' => $funnel->id, 'page' => $this->entry($funnel)->id, 'visitor' => md5('a'), 'did' => 'read',
            'at' => 0], $headers)->assertNoContent();
        self::assertSame(0, DB::table('events')->count());
    }
}
