<?php

declare(strict_types=1);

namespace Tests\Core\Checks;

use DateTimeImmutable;
use Lantern\Core\Checks\Finding;
use Lantern\Core\Checks\GoLiveCheck;
use Lantern\Core\Page\PageFacts;
use Lantern\Core\Plan\Plan;
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
        yield 'live, without a stream' => [['mode' => 'live'], ['webinar-no-stream']];
        yield 'live, with its recording to come' => [['mode' => 'live', 'stream' => 'https://stream.example/1', 'video' => ''],
            ['webinar-no-replay']];
        yield 'live, without a replay' => [['mode' => 'live', 'stream' => 'https://stream.example/1', 'video' => '',
            'replay' => null], []];
        yield 'an offer that is gone' => [['offer' => ['offer' => 'gone', 'second' => 60]], ['webinar-offer-gone']];
        yield 'an offer that never appears' => [['offer' => ['offer' => 'offer']], ['webinar-offer-never']];
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
        $findings = self::found(self::plan($with));
        self::assertSame($found, self::codes($findings));
        foreach ($findings as $finding) {
            self::assertSame(['webinar', 'w'], [$finding->open, $finding->id]);
            self::assertStringContainsString('“First melody”', $finding->message);
        }
    }

    /** @return iterable<string, array{callable(array<string, mixed>): array<string, mixed>, list<string>}> what is done to the funnel */
    public static function funnels(): iterable
    {
        $blocks = fn (string ...$kinds): array => array_map(fn (string $k): array => ['id' => "b-{$k}", 'kind' => $k, 'webinar' => 'w'],
            array_values($kinds));
        $with = fn (array $blocks, string $form = 'w'): callable => function (array $p) use ($blocks, $form): array {
            $p['forms'][0]['webinar'] = $form;
            $p['pages'][1]['document']['sections'][0]['blocks'] = $blocks;

            return $p;
        };
        yield 'no form registers for it' => [$with($blocks('room', 'replay'), ''), ['webinar-no-form']];
        yield 'no room' => [$with($blocks('replay')), ['!webinar-no-room']];
        yield 'no page for the replay' => [$with($blocks('room')), ['webinar-no-replay-page']];
        yield 'a form for another' => [$with($blocks('room', 'replay'), 'gone'), ['webinar-no-form', 'webinar-gone']];
        yield 'a room for none' => [$with([['id' => 'b', 'kind' => 'room', 'webinar' => ''], ...$blocks('room', 'replay')]),
            ['!webinar-gone']];
        yield 'an email told from another' => [function (array $p) use ($with, $blocks): array {
            $p['emails'][0]['timing'] = ['from' => 'session', 'anchor' => 'start', 'webinar' => 'gone'];

            return $with($blocks('room', 'replay'))($p);
        }, ['webinar-gone']];
    }

    /**
     * @param  callable(array<string, mixed>): array<string, mixed>  $change
     * @param  list<string>  $found
     */
    #[DataProvider('funnels')]
    public function test_what_a_funnel_lacks_for_its_webinar(callable $change, array $found): void
    {
        self::assertSame($found, self::codes(self::found(self::plan([], $change))));
    }

    /** @return list<Finding> */
    private static function found(Plan $plan): array
    {
        return array_values(array_filter(GoLiveCheck::of($plan, new PageFacts, new DateTimeImmutable('2027-03-01 10:00 UTC')),
            fn (Finding $f): bool => str_starts_with($f->code, 'webinar')));
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<string>
     */
    private static function codes(array $findings): array
    {
        return array_map(fn (Finding $f): string => ($f->blocks ? '!' : '').$f->code, $findings);
    }

    /**
     * @param  array<string, mixed>  $with
     * @param  (callable(array<string, mixed>): array<string, mixed>)|null  $change
     */
    private static function plan(array $with, ?callable $change = null): Plan
    {
        return Plans::changed(function (array $p) use ($with, $change): array {
            $p['products'][] = ['id' => 'product', 'name' => 'First Season'];
            $p['offers'][] = ['id' => 'offer', 'name' => 'First Season', 'product' => 'product',
                'price' => ['kind' => 'once', 'amount' => 29_000, 'currency' => 'EUR']];
            $p['webinars'] = [$with + ['id' => 'w', 'name' => 'First melody', 'title' => 'First melody', 'schedule' => self::DATES,
                'mode' => 'automated', 'video' => 'film', 'offer' => ['offer' => 'offer', 'second' => 60],
                'replay' => ['delay' => 30, 'days' => 3]]];
            $p['forms'][0]['webinar'] = 'w';
            array_push($p['pages'][1]['document']['sections'][0]['blocks'], ['id' => 'b-room', 'kind' => 'room', 'webinar' => 'w'],
                ['id' => 'b-replay', 'kind' => 'replay', 'webinar' => 'w']);

            return $change === null ? $p : $change($p);
        });
    }
}
