<?php

declare(strict_types=1);

namespace Tests\Feature\Webinars;

use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\User;
use Carbon\CarbonImmutable;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** A webinar as a part of the draft: made, changed, seen in the calendar of a visitor's zone. */
final class WebinarDraftTest extends TestCase
{
    private User $user;

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        CarbonImmutable::setTestNow('2027-03-01 10:00:00');
        $this->user = $this->owner();
        $this->user->business->update(['timezone' => 'Europe/Berlin']);
        $this->funnel = $this->draft($this->user);
        $this->actingAs($this->user);
    }

    /** @return array<string, mixed> as the API gives it */
    private function webinar(): array
    {
        return $this->postJson("/studio/api/funnels/{$this->funnel->id}/parts", ['kind' => 'webinar'])->assertSuccessful()->json();
    }

    public function test_a_new_one_is_a_sentence_and_every_change_is_kept(): void
    {
        $made = $this->webinar();
        self::assertSame(['Webinar', 'live', 'every Tuesday at 18:00, Europe/Berlin'], [$made['name'], $made['mode'], $made['words']]);
        $schedule = ['kind' => 'dates', 'zone' => 'Europe/Berlin', 'dates' => ['2027-03-09T18:00', '2027-03-08T10:30']];
        $changed = $this->putJson("/studio/api/parts/{$made['id']}", ['revision' => $made['revision'], 'schedule' => $schedule,
            'title' => "From <b>Open Strings</b>\u{202e}", 'threshold' => ['minutes' => 20]])->assertOk()->json();
        self::assertSame(['on 8 March 2027 at 10:30 and 9 March 2027 at 18:00, Europe/Berlin', 'From <b>Open Strings</b>',
            ['minutes' => 20]], [$changed['words'], $changed['title'], $changed['threshold']]);
        self::assertSame('Webinar 2', $this->webinar()['name']);
        $kept = $this->getJson("/studio/api/funnels/{$this->funnel->id}")->assertOk()->json('webinars.0.schedule.dates');
        self::assertSame(['2027-03-08T10:30', '2027-03-09T18:00'], $kept);
        $this->deleteJson("/studio/api/parts/{$made['id']}")->assertOk();
        $this->postJson("/studio/api/parts/{$made['id']}/restore")->assertSuccessful();
        self::assertCount(2, $this->getJson("/studio/api/funnels/{$this->funnel->id}")->json('webinars'));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'a list for a title' => [['title' => ['x']], 'title'];
        yield 'no name' => [['name' => ''], 'name'];
        yield 'a schedule that is a word' => [['schedule' => 'tuesdays'], 'schedule'];
        yield 'a day that is none' => [['schedule' => ['kind' => 'dates', 'zone' => 'UTC', 'dates' => ['2027-02-30T10:00']]],
            'schedule.dates'];
        yield 'a year of places' => [['schedule' => ['kind' => 'dates', 'zone' => 'UTC', 'places' => 0]], 'schedule.places'];
        yield 'live, whenever they come' => [['schedule' => ['kind' => 'on-demand', 'zone' => 'UTC']], 'mode'];
        yield 'somebody else’s video' => [['video' => '01m8ckeb9hey2nv1hjwyx2cd2w'], 'video'];
        yield 'an offer of elsewhere' => [['offer' => ['offer' => '01m8ckeb9hey2nv1hjwyx2cd2w']], 'offer'];
    }

    /** @param  array<string, mixed>  $body */
    #[DataProvider('wrong')]
    public function test_what_is_wrong_is_said_and_nothing_is_changed(array $body, string $field): void
    {
        $made = $this->webinar();
        $before = DraftPart::query()->whereKey($made['id'])->sole()->definition;
        $this->putJson("/studio/api/parts/{$made['id']}", $body + ['revision' => $made['revision']])->assertStatus(422)
            ->assertJsonValidationErrorFor($field);
        self::assertEquals($before, DraftPart::query()->whereKey($made['id'])->sole()->definition);
    }

    public function test_the_calendar_is_that_of_the_visitors_zone_across_the_change_of_the_clocks(): void
    {
        $made = $this->webinar();
        $ask = fn (array $body) => $this->postJson("/studio/api/parts/{$made['id']}/webinar/calendar", $body);
        $seen = $ask(['zone' => 'America/New_York'])->assertOk()->json();
        self::assertSame(['2027-03-01', '2027-04-26', 8], [$seen['from'], $seen['until'], count($seen['sessions'])]);
        // The hosts change theirs on 28 March, New York on the 14th.
        self::assertSame(['2027-03-02 12:00', '2027-03-09 12:00', '2027-03-16 13:00', '2027-03-23 13:00', '2027-03-30 12:00'],
            array_map(fn (array $s): string => "{$s['day']} {$s['time']}", array_slice($seen['sessions'], 0, 5)));
        self::assertSame([true, true, true, false], array_column(array_slice($seen['sessions'], 0, 4), 'offered'));
        $theirs = ['schedule' => ['theirs' => true, 'ahead' => 400] + $made['schedule'], 'zone' => 'Asia/Kolkata'];
        self::assertSame(['18:00'], array_values(array_unique($ask($theirs)->assertOk()->json('sessions.*.time'))));
        $ask(['zone' => 'Mars/Base'])->assertStatus(422)->assertJsonValidationErrorFor('zone');
        $ask(['schedule' => 'x'])->assertStatus(422);
        self::assertSame('every Tuesday at 18:00, Europe/Berlin',
            $this->getJson("/studio/api/funnels/{$this->funnel->id}")->json('webinars.0.words'), 'nothing is stored');
    }
}
