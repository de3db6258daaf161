<?php

declare(strict_types=1);

namespace Tests\Core\Starters;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Checks\DeadlineCheck;
use Lantern\Core\Checks\Finding;
use Lantern\Core\Checks\GoLiveCheck;
use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Deadlines\ForEveryone;
use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\PageFacts;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\PlanCopy;
use Lantern\Core\Plan\Way;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Starters\StarterDesk;
use Lantern\Core\Starters\StarterLaunch;
use Lantern\Core\Starters\StarterPages;
use Lantern\Core\Webinars\ScheduleKind;
use Lantern\Core\Webinars\WebinarMode;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** The starters: each a whole funnel, connected from end to end. */
final class StarterTest extends TestCase
{
    /** @return iterable<string, array{Goal, list<string>, list<string>, int}> roles in the order of the way, ways, number of emails */
    public static function starters(): iterable
    {
        $selling = ['sales chose checkout', 'sales time-ran-out closed', 'checkout bought upsell', 'upsell bought delivery',
            'upsell declined downsell', 'downsell bought delivery', 'downsell declined delivery'];
        $introductory = ['sales chose checkout', 'sales time-ran-out sales', 'checkout bought upsell', 'checkout time-ran-out sales'];
        yield 'give something away' => [Goal::GiveAway, ['opt-in', 'thank-you'], ['opt-in joined thank-you'], 1];
        yield 'a long opt-in page' => [Goal::LongOptIn, ['opt-in', 'thank-you'], ['opt-in joined thank-you'], 1];
        yield 'a waiting list' => [Goal::WaitingList, ['opt-in', 'thank-you'], ['opt-in joined thank-you'], 1];
        yield 'just a form' => [Goal::Form, ['form', 'thank-you'], ['form joined thank-you'], 1];
        yield 'a video series' => [
            Goal::VideoSeries, ['opt-in', 'lesson', 'lesson', 'lesson', 'sales', 'checkout', 'upsell', 'downsell', 'delivery', 'closed'],
            ['opt-in joined lesson', ...$selling], 5,
        ];
        yield 'a webinar' => [
            Goal::Webinar,
            ['registration', 'confirmation', 'room', 'replay', 'sales', 'checkout', 'sales', 'checkout', 'upsell', 'downsell',
                'delivery', 'closed'],
            ['registration joined confirmation', 'confirmation attended room', 'confirmation missed replay', 'room attended sales',
                'room missed replay', 'replay time-ran-out closed', ...$selling, ...$introductory], 14,
        ];
        yield 'a launch' => [
            Goal::Launch, ['sales', 'checkout', 'sales', 'checkout', 'upsell', 'downsell', 'delivery', 'closed', 'thank-you'],
            [...$introductory, ...$selling, 'checkout time-ran-out closed', 'closed joined thank-you'], 7,
        ];
        yield 'selling' => [
            Goal::Sell, ['sales', 'checkout', 'sales', 'checkout', 'upsell', 'downsell', 'delivery', 'closed'],
            [...$selling, ...$introductory], 5,
        ];
    }

    /**
     * @param  list<string>  $roles
     * @param  list<string>  $ways
     */
    #[DataProvider('starters')]
    public function test_it_is_whole_and_connected(Goal $goal, array $roles, array $ways, int $emails): void
    {
        $plan = Plans::of($goal);
        $role = fn (?string $id): string => $plan->page((string) $id)?->role->value ?? '?';

        self::assertSame($roles, array_map(fn (PagePlan $p): string => $p->role->value, $plan->pages));
        self::assertSame($ways,
            array_map(fn (Way $w): string => "{$role($w->page)} {$w->outcome->value} {$role($w->toPage)}", $plan->ways));
        self::assertCount($emails, $plan->emails);
        self::assertSame('', $plan->pages[0]->address);
        $addresses = array_map(fn (PagePlan $p): string => $p->address, $plan->pages);
        self::assertSame($addresses, array_values(array_unique($addresses)));
        self::assertSame([], array_filter(GoLiveCheck::of($plan),
            fn (Finding $f): bool => in_array($f->code,
                ['dead-end', 'unreachable', 'dead-link', 'empty-link', 'form-gone', 'download-gone', 'unknown-field', 'heading-order',
                    'long-for-phone', 'many-goals', 'contrast'], true)));
    }

    #[DataProvider('starters')]
    public function test_it_comes_back_as_it_was_written_and_its_copy_is_as_whole(Goal $goal): void
    {
        $plan = Plans::of($goal);
        self::assertSame($plan->toArray(), Plan::fromArray(json_decode((string) json_encode($plan->toArray()), true))->toArray());

        $n = 0;
        $copy = PlanCopy::of($plan, 'Copy', 'copy', function () use (&$n): string {
            return 'new'.++$n;
        });
        $codes = fn (Plan $p): array => array_map(fn (Finding $f): string => $f->code, GoLiveCheck::of($p));
        self::assertSame($codes($plan), $codes($copy), 'its parts still belong together');
        $known = array_map(fn (PagePlan $p): string => $p->id, $copy->pages);
        $written = (string) json_encode($copy->toArray());
        foreach ($plan->parts as $part) {
            self::assertDoesNotMatchRegularExpression("/(?<![a-z0-9]){$part->id()}(?![a-z0-9])/", $written,
                'nothing in it is of the other');
        }
        foreach ($copy->emails as $email) {
            preg_match_all('/page_(\w+)/', $email->body, $m);
            self::assertSame([], array_diff($m[1], $known), 'its emails lead to its own pages');
        }
    }

    #[DataProvider('starters')]
    public function test_hostile_text_stay_text(Goal $goal): void
    {
        $plan = Plans::of($goal, '"><script>alert(1)</script>{{email}}');
        foreach ($plan->pages as $page) {
            foreach ($page->document->blocks() as $block) {
                foreach ([$block->fields, ...$block->items] as $fields) {
                    self::assertStringNotContainsString('<script', ($fields['html'] ?? '').($fields['notHtml'] ?? ''),
                        "{$page->name}, {$block->kind->value}");
                }
            }
        }
        foreach ($plan->emails as $email) {
            self::assertStringNotContainsString('<script', $email->body);
        }
    }

    #[DataProvider('starters')]
    public function test_the_longest_title_fits_everywhere(Goal $goal): void
    {
        $plan = Plans::of($goal, str_repeat('ä', 200), '9999999999.99');

        self::assertSame($plan->toArray(), Plan::fromArray($plan->toArray())->toArray());
    }

    /** @return iterable<string, array{string, string, string, string, string}> now, zone, when it opens, when the introductory price ends and when it closes, in UTC */
    public static function launches(): iterable
    {
        yield 'from a Wednesday' => ['2027-01-06 12:00', 'Europe/Berlin', '2027-01-25 16:00', '2027-01-27 17:00', '2027-02-01 17:00'];
        yield 'from a Monday it is two weeks at least' => ['2027-01-04 12:00', 'UTC', '2027-01-25 17:00', '2027-01-27 18:00',
            '2027-02-01 18:00'];
        yield 'where it is Monday already' => ['2027-01-03 22:00', 'Pacific/Auckland', '2027-01-25 04:00', '2027-01-27 05:00',
            '2027-02-01 05:00'];
        yield 'the clocks change within the week' => ['2027-03-08 12:00', 'Europe/Berlin', '2027-03-29 15:00', '2027-03-31 16:00',
            '2027-04-05 16:00'];
        yield 'a zone that nobody knows' => ['2027-01-06 12:00', 'Mars/Olympus', '2027-01-25 17:00', '2027-01-27 18:00',
            '2027-02-01 18:00'];
    }

    #[DataProvider('launches')]
    public function test_a_launch_opens_on_a_monday_and_closes_a_week_later(string $now, string $zone, string ...$moments): void
    {
        $week = StarterLaunch::week(new DateTimeImmutable($now, new DateTimeZone('UTC')), $zone);

        self::assertSame($moments, array_map(fn (ForEveryone $m): string => $m->at()->format('Y-m-d H:i'), $week));
    }

    public function test_a_launch_ends_twice_for_its_introductory_price_and_for_all(): void
    {
        $plan = Plans::of(Goal::Launch);
        [$intro, $doors] = $plan->deadlines;

        self::assertSame('2027-01-25T17:00', $plan->times->opens?->moment);
        self::assertSame(['2027-01-27T18:00', '2027-02-01T18:00', null],
            [$intro->latest?->moment, $doors->latest?->moment, $plan->times->closes?->moment]);
        $guard = fn (Offer $o): array => [$o->name, $intro->guardsOffer($o->id), $doors->guardsOffer($o->id)];
        self::assertSame([['Regular price', false, true], ['Introductory price', true, false]],
            [$guard($plan->offers[0]), $guard($plan->offers[3])]);
        self::assertSame([], DeadlineCheck::of($plan, new DateTimeImmutable('2027-01-06 12:00 UTC')));
        $over = [$intro->id => DeadlineState::Over, $doors->id => DeadlineState::Over];
        $at = fn (array $states): ?string => $plan->page((string) $plan->guards()->page($plan->pages[0]->id, $states)->page)?->name;
        self::assertSame(['Sales page, introductory', 'Sales page', 'Closed page'],
            [$at([]), $at(array_slice($over, 0, 1)), $at($over)], 'where its address leads, one after the other');
    }

    public function test_a_price_that_is_not_known_yet_is_asked_for(): void
    {
        $open = fn (?string $price): array => array_values(array_map(fn (Finding $f): string => $f->message, array_filter(
            GoLiveCheck::of(Plans::of(Goal::Webinar, price: $price)), fn (Finding $f): bool => $f->code === 'no-price')));

        self::assertSame(['“Regular price” has no price yet.', '“A private hour” has no price yet.',
            '“The recordings” has no price yet.',
            '“Introductory price” has no price yet.'],
            $open(null));
        self::assertSame(['“A private hour” has no price yet.', '“The recordings” has no price yet.',
            '“Introductory price” has no price yet.'], $open('290'));
    }

    /** @return iterable<string, array{PageRole}> */
    public static function roles(): iterable
    {
        foreach (PageRole::ofPages() as $role) {
            yield $role->value => [$role];
        }
    }

    #[DataProvider('roles')]
    public function test_a_page_of_any_role_can_join_any_funnel(PageRole $role): void
    {
        $n = 0;
        foreach (Plans::all() as $plan) {
            $pages = [];
            foreach ($plan->pages as $page) {
                $pages[$page->role->value] ??= $page->id;
            }
            $desk = (new StarterDesk($plan->sender, function () use (&$n): string {
                return 'x'.++$n;
            }, 'First Season', $plan->leadMagnets[0] ?? null, $plan->forms[0] ?? null))->inFunnel($pages);
            $document = StarterPages::of($role, $desk, 2);

            self::assertEquals($document, Document::fromArray($document->toArray()));
            self::assertNotSame('', $document->headline());
            foreach ($document->blocks() as $block) {
                foreach ($block->links() as $link) {
                    if (str_starts_with($link, 'page:')) {
                        self::assertNotNull($plan->page(substr($link, 5)), 'links lead to pages that are there');
                    }
                }
            }
            if ($role->hasOneGoal() && $plan->forms !== []) {
                self::assertNotSame([], $document->blocksOf(BlockKind::Form));
            }
        }
    }

    #[DataProvider('roles')]
    public function test_what_must_lead_somewhere_may_lead_somewhere(PageRole $role): void
    {
        foreach ($role->outcomes() as $outcome) {
            self::assertContains($outcome, $role->possibleOutcomes());
        }
        self::assertMatchesRegularExpression('/^[a-z]+(-[a-z]+)*$/', $role->address());
        self::assertNotSame('', $role->label());
    }

    public function test_a_webinar_from_a_recording_is_never_called_live_and_lacks_its_recording_alone(): void
    {
        $plan = Plans::of(Goal::Webinar, mode: WebinarMode::Automated);
        $words = html_entity_decode(strip_tags((string) json_encode(array_map(fn ($p): array => $p->toArray(), [...$plan->pages,
            ...$plan->emails, ...$plan->forms]), JSON_UNESCAPED_UNICODE)));

        self::assertDoesNotMatchRegularExpression('/\blive\b/i', $words);
        self::assertSame(ScheduleKind::Soon, $plan->webinars[0]->schedule->kind);
        $names = fn (Plan $of): array => array_map(fn (EmailPlan $e): string => $e->name, $of->emails);
        self::assertSame(['A week before', 'A day before', 'An hour before'],
            array_values(array_diff($names(Plans::of(Goal::Webinar)), $names($plan))), 'nobody registers so early for one that is soon');
        self::assertSame(['webinar-no-video'], array_values(array_map(fn (Finding $f): string => $f->code,
            array_filter(GoLiveCheck::of($plan, new PageFacts, new DateTimeImmutable('2027-03-01')),
                fn (Finding $f): bool => str_starts_with($f->code, 'webinar')))));
    }

    public function test_outcomes_in_a_sentence(): void
    {
        self::assertSame('those who joined', Outcome::Joined->who());
        self::assertSame('Those who said no thanks', Outcome::Declined->whoFirst());
        self::assertSame('Those whose time ran out', Outcome::TimeRanOut->whoFirst());
    }

    public function test_every_merge_field_of_the_starters_is_known_or_has_a_fallback(): void
    {
        // What is known of a session stands in emails alone that go to those who have one.
        $known = [...array_keys(MergeFields::OWNER), ...array_keys(MergeFields::SESSION), 'download_link'];
        foreach (Plans::all() as $plan) {
            $words = (string) json_encode([$plan->toArray()], JSON_UNESCAPED_UNICODE);
            preg_match_all('/\{\{\s*([a-z0-9_]+)\s*(\|[^}]*)?\}\}/', $words, $m);
            foreach ($m[1] as $i => $name) {
                self::assertTrue(in_array($name, $known, true) || str_starts_with($name, 'page_')
                    // These stand in emails alone that go to nobody for whom the deadline does not run.
                    || str_starts_with($name, 'deadline_') || ($m[2][$i] ?? '') !== '',
                    "{{{$name}}} says something even of nobody");
            }
        }
    }
}
