<?php

declare(strict_types=1);

namespace Tests\Feature\Mail;

use App\Mail\Owner\Digest;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\User;
use App\Publishing\Publishing;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\MessageState;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Drafts\Form;
use Tests\TestCase;

/** The email to the owner that tells of the day's new people: once a morning, of each of them once. */
final class DigestTest extends TestCase
{
    private User $owner;

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-06-01 10:00:00');
        $this->owner = $this->owner();
        $this->owner->business->forceFill(['timezone' => 'Europe/Berlin'])->save();
        $this->funnel = $this->draft($this->owner);
        $this->notice('daily');
    }

    private function notice(string $when): void
    {
        $form = Form::query()->sole();
        $form->forceFill(['definition' => ['notice' => $when] + $form->definition])->save();
        app(Publishing::class)->publish($this->funnel->refresh(), null);
        $this->funnel->refresh();
    }

    private function tick(string $utc): int
    {
        $this->travelTo($utc);
        app(Digest::class)->work(CarbonImmutable::now());

        return Message::query()->where('kind', 'notice')->count();
    }

    /** @return iterable<string, array{string, string, string, string}> zone, when somebody joins, still too early, time for it; all UTC */
    public static function mornings(): iterable
    {
        yield 'summer in Berlin' => ['Europe/Berlin', '2026-06-10 12:00', '2026-06-11 05:59', '2026-06-11 06:00'];
        yield 'winter in Berlin' => ['Europe/Berlin', '2026-12-10 12:00', '2026-12-11 06:59', '2026-12-11 07:00'];
        yield 'the night an hour is left out' => ['Europe/Berlin', '2027-03-27 12:00', '2027-03-28 05:59', '2027-03-28 06:00'];
        yield 'the night an hour comes twice' => ['Europe/Berlin', '2026-10-24 12:00', '2026-10-25 06:59', '2026-10-25 07:00'];
        yield 'a quarter of an hour off' => ['Asia/Kathmandu', '2026-06-10 12:00', '2026-06-11 02:14', '2026-06-11 02:15'];
        yield 'far in the west' => ['Pacific/Honolulu', '2026-06-10 12:00', '2026-06-10 17:59', '2026-06-10 18:00'];
        yield 'far in the east' => ['Pacific/Auckland', '2026-06-10 12:00', '2026-06-10 19:59', '2026-06-10 20:00'];
    }

    #[DataProvider('mornings')]
    public function test_it_goes_out_at_eight_by_the_owners_clock(string $zone, string $joined, string $early, string $due): void
    {
        $this->owner->business->forceFill(['timezone' => $zone, 'told_at' => CarbonImmutable::parse($joined)->subHours(1)])->save();
        $this->travelTo($joined);
        $this->join($this->funnel, ['email' => 'robin@example.com', 'first_name' => 'Robin']);

        self::assertSame(0, $this->tick($early));
        self::assertSame(1, $this->tick($due));
        self::assertSame(1, $this->tick($due), 'and once');
    }

    public function test_nobody_is_told_of_twice_or_left_out_whatever_the_days_bring(): void
    {
        self::assertSame(0, $this->tick('2026-06-02 06:00'), 'nobody, no email');
        foreach (['2026-06-02 07:00' => 'a', '2026-06-03 05:30' => 'b'] as $at => $name) {
            $this->travelTo($at);
            $this->join($this->funnel, ['email' => "{$name}@example.com", 'first_name' => strtoupper($name)]);
        }
        self::assertSame(1, $this->tick('2026-06-03 06:00'));
        $this->travelTo('2026-06-03 06:10');
        $this->join($this->funnel, ['email' => 'c@example.com', 'first_name' => 'C']);
        // The machine sleeps for three days.
        self::assertSame(2, $this->tick('2026-06-07 16:00'));
        self::assertSame(2, $this->tick('2026-06-07 23:00'));
        self::assertSame(2, $this->tick('2026-06-08 06:30'), 'nobody new since');

        $this->runQueue();
        $letters = Message::query()->where('kind', 'notice')->orderBy('created_at')->get();
        self::assertSame([MessageState::Sent, MessageState::Sent], $letters->pluck('state')->all());
        self::assertSame([$this->owner->business->sender_address], $letters->pluck('to_address')->unique()->all());
        $told = $letters->map(fn (Message $m): array => array_values(array_filter(['a@example.com', 'b@example.com', 'c@example.com'],
            fn (string $address): bool => str_contains((string) $m->text, $address))))->all();
        self::assertSame([['a@example.com', 'b@example.com'], ['c@example.com']], $told);
    }

    public function test_moments_within_one_second_are_told_apart(): void
    {
        $this->travelTo('2026-06-02 05:59:55.200');
        $this->join($this->funnel, ['email' => 'before@example.com', 'first_name' => 'B']); // five seconds on the page: 06:00:00.200
        self::assertSame(1, $this->tick('2026-06-02 06:00:00.500'));
        self::assertSame(1, $this->tick('2026-06-03 06:00:00.500'), 'told of already');
    }

    public function test_two_at_once_write_one_email(): void
    {
        $this->join($this->funnel, ['email' => 'robin@example.com', 'first_name' => 'Robin']);
        $this->travelTo('2026-06-02 06:00');
        $now = CarbonImmutable::now();
        app(Digest::class)->work($now);
        DB::table('businesses')->update(['told_at' => null]); // as the other one read it a moment before
        app(Digest::class)->work($now);

        self::assertSame(1, Message::query()->where('kind', 'notice')->count());
    }

    public function test_a_form_that_tells_at_once_or_not_at_all_is_not_in_it(): void
    {
        $this->notice('never');
        $this->join($this->funnel, ['email' => 'quiet@example.com', 'first_name' => 'Quinn']);
        $this->notice('at-once');
        $this->join($this->funnel, ['email' => 'loud@example.com', 'first_name' => 'Lou']);
        self::assertSame(1, Message::query()->where('kind', 'notice')->count(), 'the one at once');
        self::assertSame(1, $this->tick('2026-06-02 07:00'));
    }

    public function test_whoever_has_not_confirmed_yet_is_told_of_when_they_have(): void
    {
        $form = Form::query()->sole();
        $form->forceFill(['definition' => ['doubleOptIn' => true] + $form->definition])->save();
        app(Publishing::class)->publish($this->funnel->refresh(), null);
        $this->join($this->funnel->refresh(), ['email' => 'robin@example.com', 'first_name' => 'Robin']);
        $this->runQueue();
        self::assertSame(1, DB::table('confirmations')->count());
        self::assertSame(0, $this->tick('2026-06-02 06:00'));

        preg_match('~http://[^/\s]+(/c/\S+)~', (string) Message::query()->where('kind', 'confirm')->sole()->text, $m);
        $this->post($m[1])->assertRedirect();
        self::assertSame(1, $this->tick('2026-06-03 06:00'));
    }

    public function test_a_day_with_very_many_names_a_hundred_and_links_to_all(): void
    {
        $this->join($this->funnel, ['email' => 'first@example.com', 'first_name' => 'First']);
        $one = (array) DB::table('submissions')->first();
        DB::table('submissions')
            ->insert(array_map(fn (int $i): array => ['id' => sprintf('01h%023d', $i), 'token' => "t{$i}"] + $one, range(1, 649)));
        self::assertSame(1, $this->tick('2026-06-02 06:00'));
        $this->runQueue();
        $letter = Message::query()->where('kind', 'notice')->sole();
        self::assertSame('650 new people', $letter->subject);
        self::assertSame(100, substr_count((string) $letter->html, '/studio/people/'.$one['person_id']));
        self::assertStringContainsString('And 550 more: all of them',
            (string) preg_replace('/ \(http[^)]*\)|<[^>]+>/', '', (string) $letter->html));
    }
}
