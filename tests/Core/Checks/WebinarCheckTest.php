<?php

declare(strict_types=1);

namespace Tests\Core\Checks;

use DateTimeImmutable;
use Lantern\Core\Checks\Finding;
use Lantern\Core\Checks\GoLiveCheck;
use Lantern\Core\Page\PageFacts;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** A funnel with a webinar that can be held; each case breaks one thing. */
final class WebinarCheckTest extends TestCase
{
    private const DATES = ['kind' => 'dates', 'zone' => 'Europe/Berlin', 'dates' => ['2027-03-09T18:00'], 'ahead' => 30, 'minutes' => 60];

    /** @return iterable<string, array{array<string, mixed>, list<string>}> what differs, and what is found; ! for what blocks */
    public static function webinars(): iterable
    {
        yield 'nothing is wrong' => [[], []];
        yield 'no title' => [['title' => ' '], ['!webinar-untitled']];
        yield 'no recording' => [['video' => ''], ['!webinar-no-video']];
        yield 'live, without a stream' => [['manner' => 'live'], ['webinar-no-stream']];
        yield 'live, with its recording to come' => [['manner' => 'live', 'stream' => 'https://stream.example/1', 'video' => ''],
            ['webinar-no-replay']];
        yield 'live, without a replay' => [['manner' => 'live', 'stream' => 'https://stream.example/1', 'video' => '',
            'replay' => null], []];
        yield 'an offer that is gone' => [['offer' => ['offer' => 'gone']], ['webinar-offer-gone']];
        yield 'an offer after the end' => [['offer' => ['offer' => 'offer', 'second' => 3600]], ['webinar-offer-late']];
        yield 'an offer in the last second' => [['offer' => ['offer' => 'offer', 'second' => 3599]], []];
        yield 'all is past' => [['schedule' => ['dates' => ['2027-02-28T18:00']] + self::DATES], ['webinar-no-session']];
        yield 'all is too far ahead' => [['schedule' => ['ahead' => 8] + self::DATES], ['webinar-no-session']];
        yield 'no date' => [['schedule' => ['dates' => []] + self::DATES], ['webinar-no-session']];
        yield 'at any time' => [['schedule' => ['kind' => 'on-demand'] + self::DATES], []];
        yield 'a replay that is over before it opens' => [['replay' => ['delay' => 0, 'until' => '2027-03-09T19:00']],
            ['webinar-replay-over']];
    }

    /**
     * @param  array<string, mixed>  $with
     * @param  list<string>  $found
     */
    #[DataProvider('webinars')]
    public function test_what_stands_in_the_way_of_a_webinar(array $with, array $found): void
    {
        $plan = Plans::changed(function (array $p) use ($with): array {
            $p['products'][] = ['id' => 'product', 'name' => 'First Season'];
            $p['offers'][] = ['id' => 'offer', 'name' => 'First Season', 'product' => 'product',
                'price' => ['kind' => 'once', 'amount' => 29_000, 'currency' => 'EUR']];
            $p['webinars'] = [$with + ['id' => 'w', 'name' => 'First melody', 'title' => 'First melody', 'schedule' => self::DATES,
                'manner' => 'automated', 'video' => 'film', 'offer' => ['offer' => 'offer', 'second' => 60],
                'replay' => ['delay' => 30, 'days' => 3]]];

            return $p;
        });
        $findings = array_filter(GoLiveCheck::of($plan, new PageFacts, new DateTimeImmutable('2027-03-01 10:00 UTC')),
            fn (Finding $f): bool => str_starts_with($f->code, 'webinar'));
        self::assertSame($found, array_values(array_map(fn (Finding $f): string => ($f->blocks ? '!' : '').$f->code, $findings)));
        foreach ($findings as $finding) {
            self::assertSame(['webinar', 'w'], [$finding->open, $finding->id]);
            self::assertStringContainsString('“First melody”', $finding->message);
        }
    }
}
