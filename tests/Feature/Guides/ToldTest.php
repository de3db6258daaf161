<?php

declare(strict_types=1);

namespace Tests\Feature\Guides;

use App\Mail\Owner\ReaderDigest;
use App\Models\Message;
use App\Models\Person;
use App\People\Privacy\Erase;
use Illuminate\Support\Facades\DB;

/** What the owner is told of readers: at once, once a day, or not at all. */
final class ToldTest extends GuideTestCase
{
    private function notices(): array
    {
        $this->runQueue();

        return Message::query()->where('kind', 'notice')->orderBy('id')->pluck('subject')->all();
    }

    private function tell(string $begun, string $finished): void
    {
        $this->guide->refresh()->change(['begun' => $begun, 'finished' => $finished])->save();
        $this->publish();
        DB::table('draft_parts')->where('kind', 'form')->update(['definition' => DB::raw("json_set(definition, '$.notice', 'never')")]);
        $this->publish();
    }

    public function test_at_once_and_each_once(): void
    {
        $this->tell('at-once', 'at-once');
        $this->joins('robin@example.com');
        $this->reads(0);
        self::assertSame(['robin@example.com has begun “The Twelve-Minute Practice Plan”'], $this->notices());
        $this->reads(1, 2, 3, 4, 5);
        $this->reads(1, 2);
        self::assertSame('robin@example.com has finished “The Twelve-Minute Practice Plan”', $this->notices()[1]);
        self::assertCount(2, $this->notices());
        $html = (string) Message::query()->where('kind', 'notice')->latest('id')->firstOrFail()->html;
        self::assertStringContainsString('/studio/people/'.Person::query()->sole()->id, $html);
    }

    public function test_once_a_day_all_of_them_together(): void
    {
        $this->tell('daily', 'daily');
        foreach (['robin@example.com', 'ada@example.com'] as $email) {
            $this->forgetsAll();
            $this->joins($email);
            $this->reads(0, 1, 2, 3, 4, 5);
        }
        self::assertSame([], $this->notices());
        $this->travelTo(self::moment()->addDay()->setTime(6, 1));
        $digest = app(ReaderDigest::class);
        self::assertSame([1, 0], [$digest->work(now()), $digest->work(now())], 'once, however often it is looked');
        self::assertSame(['4 readers of your guides'], $this->notices());
        self::assertStringContainsString('ada@example.com', (string) Message::query()->where('kind', 'notice')->sole()->html);
        $this->travel(1)->days();
        self::assertSame(0, $digest->work(now()), 'and then no more of the same');
        // With a person goes what was told of them.
        app(Erase::class)->person(Person::query()->where('email', 'ada@example.com')->sole());
        self::assertNull(Message::query()->where('kind', 'notice')->sole()->html);
    }

    public function test_not_at_all(): void
    {
        $this->tell('never', 'never');
        $this->joins('robin@example.com');
        $this->reads(0, 1, 2, 3, 4, 5);
        $this->travel(1)->days();
        app(ReaderDigest::class)->work(now());
        self::assertSame([], $this->notices());
    }

    public function test_a_notice_of_warmth_goes_with_its_person_too(): void
    {
        $this->imke->business->forceFill(['warmth_notices' => true])->save();
        $this->joins('robin@example.com');
        $person = Person::query()->sole();
        app(\App\Mail\Sending\Planner::class)->planWarmNotice($person, 7);
        self::assertContains('robin@example.com has become warm', $this->notices());
        app(Erase::class)->person($person);
        self::assertSame(0, Message::query()->where('subject', 'like', '%robin%')->count());
    }
}
