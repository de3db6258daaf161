<?php

declare(strict_types=1);

namespace Tests\Core\Popups;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Page\Document;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\PopupCheck;
use Lantern\Core\Popups\PopupFact;
use Lantern\Core\Popups\PopupFactType;
use Lantern\Core\Popups\Refusal;
use Lantern\Core\Popups\Situation;
use Lantern\Core\Popups\TriggerKind;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PopupCheckTest extends TestCase
{
    /** @param  array<string, mixed>  $with */
    public static function popup(array $with = []): Popup
    {
        $section = fn (string $id, array $blocks): array => ['id' => $id, 'kind' => 'popup', 'blocks' => $blocks];

        return Popup::fromShape(Shape::of($with + ['id' => 'pop', 'name' => 'Before you go', 'on' => true,
            'document' => ['format' => Document::FORMAT, 'sections' => [
                $section('main', [['id' => 'f', 'kind' => 'form', 'form' => 'guide']]), $section('thanks', [])]],
            'triggers' => [['kind' => 'leaving'], ['kind' => 'depth', 'amount' => 60]]]));
    }

    /**
     * A stranger on the first view of a page, on a Wednesday at noon in Berlin.
     *
     * @param  array<string, mixed>  $with
     */
    private static function at(array $with = [], string $now = '2027-03-10 11:00'): Situation
    {
        return new Situation(...$with + ['now' => self::moment($now), 'zone' => new DateTimeZone('Europe/Berlin'), 'page' => 'opt-in',
            'view' => 'v1', 'since' => self::moment($now)]);
    }

    private static function moment(string $utc): DateTimeImmutable
    {
        return new DateTimeImmutable($utc, new DateTimeZone('UTC'));
    }

    private static function fact(string $type, string $at, string $popup = 'pop', string $view = 'v0'): PopupFact
    {
        return new PopupFact($popup, PopupFactType::from($type), self::moment($at), $view);
    }

    /** @return iterable<string, array{Refusal|null, array<string, mixed>, Situation}> */
    public static function cases(): iterable
    {
        $limits = fn (array $l): array => ['limits' => $l + ['afterClosed' => 30]];
        $places = fn (array $p): array => ['targeting' => $p];
        $site = fn (array ...$patterns): array => $places(['pages' => 'none', 'sites' => [['site' => 'blog', 'patterns' => $patterns]]]);
        $person = PersonState::unknown(new DateTimeZone('UTC'))->withTags(['Cellist']);
        $never = ['never' => ['all' => true, 'rules' => [['kind' => 'tag', 'tag' => 'Cellist']]]];

        yield 'a stranger' => [null, [], self::at()];
        yield 'off' => [Refusal::Off, ['on' => false], self::at()];
        yield 'a checkout' => [Refusal::QuietPage, [], self::at(['quiet' => true])];
        yield 'another page' => [Refusal::Page, $places(['pages' => 'some', 'ids' => ['x']]), self::at()];
        yield 'all pages but this' => [Refusal::Page, $places(['pages' => 'except', 'ids' => ['opt-in']]), self::at()];
        yield 'all pages but another' => [null, $places(['pages' => 'except', 'ids' => ['x']]), self::at()];
        yield 'some of no pages' => [Refusal::Page, $places(['pages' => 'some', 'ids' => []]), self::at()];
        yield 'what does not open it' => [Refusal::Trigger, [], self::at(['trigger' => TriggerKind::Idle])];
        yield 'what opens it' => [null, [], self::at(['trigger' => TriggerKind::Depth])];

        yield 'phones only, on a desktop' => [Refusal::Device, $places(['device' => 'phone']), self::at()];
        yield 'phones only, on a phone' => [null, $places(['device' => 'phone']), self::at(['phone' => true])];
        yield 'desktops only, on a phone' => [Refusal::Device, $places(['device' => 'desktop']), self::at(['phone' => true])];
        yield 'new visitors, who returns' => [Refusal::Visitors, $places(['visitors' => 'new']), self::at(['visit' => 2])];
        yield 'returning visitors, who is new' => [Refusal::Visitors, $places(['visitors' => 'returning']), self::at()];
        yield 'returning visitors' => [null, $places(['visitors' => 'returning']), self::at(['visit' => 2])];
        yield 'a source, without one' => [Refusal::Source, $places(['sources' => ['Forum']]), self::at()];
        yield 'a source in other letters' => [null, $places(['sources' => ['Forum']]),
            self::at(['parameters' => ['utm_source' => 'forum']])];
        yield 'a source by ref' => [null, $places(['sources' => ['forum']]), self::at(['parameters' => ['ref' => 'forum']])];
        yield 'a parameter with anything' => [null, $places(['parameter' => 'p']), self::at(['parameters' => ['p' => '']])];
        yield 'a parameter that is not there' => [Refusal::Source, $places(['parameter' => 'p']), self::at()];
        yield 'a parameter with something else' => [Refusal::Source, $places(['parameter' => 'p', 'value' => 'a']),
            self::at(['parameters' => ['p' => 'b']])];
        yield 'a language and its country' => [null, $places(['languages' => ['de']]), self::at(['languages' => ['de-AT', 'en']])];
        yield 'a language asked for second' => [Refusal::Language, $places(['languages' => ['de']]),
            self::at(['languages' => ['en', 'de']])];
        yield 'a country of a language' => [Refusal::Language, $places(['languages' => ['pt-br']]), self::at(['languages' => ['pt-PT']])];
        yield 'a language that begins alike' => [Refusal::Language, $places(['languages' => ['de']]), self::at(['languages' => ['den']])];
        yield 'no language at all' => [Refusal::Language, $places(['languages' => ['de']]), self::at()];

        yield 'has filled in its form elsewhere' => [Refusal::Joined, [],
            self::at(['joined' => ['guide' => self::moment('2027-03-01 11:00')]])];
        yield 'has filled in another form' => [null, [], self::at(['joined' => ['other' => self::moment('2027-03-10 10:59:59')]])];
        yield 'joined in it long ago' => [Refusal::Joined, [], self::at(['facts' => [self::fact('joined', '2020-01-01')]])];
        yield 'among those who never see it' => [Refusal::Person, $never, self::at(['person' => $person])];
        yield 'nobody yet' => [null, $never, self::at()];
        yield 'has bought' => [Refusal::Bought, [], self::at(['bought' => true])];
        yield 'came from our email' => [Refusal::FromEmail, [], self::at(['fromEmail' => true])];
        yield 'clicked in our email two minutes before' => [Refusal::FromEmail, [],
            self::at(['clicked' => self::moment('2027-03-10 10:58')])];
        yield 'clicked in one longer before' => [null, [], self::at(['clicked' => self::moment('2027-03-10 10:57:59')])];
        yield 'has just joined' => [Refusal::JoinedNow, [], self::at(['joined' => ['other' => self::moment('2027-03-10 11:00')]])];

        yield 'the second visit, from the third on' => [Refusal::Visit, $limits(['fromVisit' => 3]), self::at(['visit' => 2])];
        yield 'the third visit, from the third on' => [null, $limits(['fromVisit' => 3]), self::at(['visit' => 3])];
        yield 'closed a second too recently' => [Refusal::Closed, $limits([]),
            self::at(['facts' => [self::fact('closed', '2027-02-08 11:00:01')]])];
        yield 'closed just long enough ago' => [null, $limits([]), self::at(['facts' => [self::fact('closed', '2027-02-08 11:00:00')]])];
        yield 'another was closed' => [null, $limits(['apart' => 0]),
            self::at(['facts' => [self::fact('closed', '2027-03-10 10:00', 'x')]])];
        yield 'seen within the days' => [Refusal::Again, $limits(['days' => 7]),
            self::at(['facts' => [self::fact('shown', '2027-03-03 11:00:01')]])];
        yield 'seen before the days' => [null, $limits(['days' => 7]), self::at(['facts' => [self::fact('shown', '2027-03-03 11:00:00')]])];
        yield 'seen across the clock change: days of 24 hours' => [Refusal::Again, $limits(['days' => 1]),
            self::at(['facts' => [self::fact('shown', '2027-03-27 13:00')]], '2027-03-28 12:59')];
        yield 'once, seen years ago' => [Refusal::Once, $limits(['repeat' => 'once']),
            self::at(['facts' => [self::fact('shown', '2020-01-01')]])];
        yield 'as often as it may' => [Refusal::Most, $limits(['repeat' => 'always', 'most' => 2]),
            self::at(['facts' => [self::fact('shown', '2026-01-01'), self::fact('shown', '2026-01-02')]])];
        yield 'once less than it may' => [null, $limits(['repeat' => 'always', 'most' => 2]),
            self::at(['facts' => [self::fact('shown', '2026-01-01')]])];
        yield 'seen on this visit' => [Refusal::Again, $limits(['repeat' => 'visit', 'apart' => 0]),
            self::at(['facts' => [self::fact('shown', '2027-03-10 10:50')], 'since' => self::moment('2027-03-10 10:45'), 'visit' => 2])];
        yield 'seen with the first view of this visit' => [Refusal::Again, $limits(['repeat' => 'visit', 'apart' => 0]),
            self::at(['facts' => [self::fact('shown', '2027-03-10 10:45')], 'since' => self::moment('2027-03-10 10:45'), 'visit' => 2])];
        yield 'seen on the visit before' => [null, $limits(['repeat' => 'visit', 'apart' => 0]),
            self::at(['facts' => [self::fact('shown', '2027-03-10 09:50')], 'since' => self::moment('2027-03-10 10:45'), 'visit' => 2])];
        yield 'another on this view' => [Refusal::SameView, $limits(['apart' => 0]),
            self::at(['facts' => [self::fact('shown', '2027-03-10 09:00', 'x', 'v1')]])];
        yield 'another a moment ago' => [Refusal::Apart, $limits(['apart' => 10]),
            self::at(['facts' => [self::fact('shown', '2027-03-10 10:50:01', 'x')]])];
        yield 'another long enough ago' => [null, $limits(['apart' => 10]),
            self::at(['facts' => [self::fact('shown', '2027-03-10 10:50:00', 'x')]])];
        yield 'a fact from the future, after the clock was put back' => [Refusal::Again, $limits(['days' => 7]),
            self::at(['facts' => [self::fact('shown', '2027-03-12 11:00')]])];
        yield 'only ever eligible' => [null, $limits(['repeat' => 'once']),
            self::at(['facts' => [self::fact('eligible', '2027-03-10 10:59')]])];

        yield 'before its time, by the owner’s clock' => [Refusal::NotYet, $limits(['from' => '2027-03-10T12:01']), self::at()];
        yield 'from its time on' => [null, $limits(['from' => '2027-03-10T12:00']), self::at()];
        yield 'at its end' => [Refusal::Over, $limits(['until' => '2027-03-10T12:00']), self::at()];
        yield 'another weekday' => [Refusal::Hours, $limits(['hours' => ['days' => [1, 2]]]), self::at()];
        yield 'another hour' => [Refusal::Hours, $limits(['hours' => ['days' => [3], 'from' => 8, 'to' => 12]]), self::at()];
        yield 'an hour that summer time brings' => [null, $limits(['hours' => ['days' => [7], 'from' => 13, 'to' => 14]]),
            self::at([], '2027-03-28 11:30')];

        yield 'on a site, all pages' => [null, $site(), self::at(['page' => null, 'site' => 'blog', 'address' => '/anything'])];
        yield 'on another site' => [Refusal::Page, $site(), self::at(['page' => null, 'site' => 'shop', 'address' => '/'])];
        yield 'on a page of the funnel, though meant for a site' => [Refusal::Page, $site(), self::at()];
        yield 'on a site, a page that fits' => [null, $site(['how' => 'begins', 'text' => '/notes/']),
            self::at(['page' => null, 'site' => 'blog', 'address' => '/notes/first'])];
        yield 'on a site, an exception' => [Refusal::Page, $site(['how' => 'begins', 'text' => '/notes/'], ['how' => 'contains',
            'text' => 'draft', 'except' => true]), self::at(['page' => null, 'site' => 'blog', 'address' => '/notes/draft-2'])];

        yield 'who clicks has asked for it' => [null, ['triggers' => [['kind' => 'click']]] + $limits(['repeat' => 'once']),
            self::at(['trigger' => TriggerKind::Click, 'fromEmail' => true, 'bought' => true,
                'joined' => ['guide' => self::moment('2027-03-01 11:00')], 'page' => 'x',
                'facts' => [self::fact('shown', '2027-03-10 10:59', view: 'v1'), self::fact('closed', '2027-03-10 10:59')]])];
        yield 'a click that opens nothing' => [Refusal::Trigger, [], self::at(['trigger' => TriggerKind::Click])];
        yield 'a click on what is off' => [Refusal::Off, ['on' => false, 'triggers' => [['kind' => 'click']]],
            self::at(['trigger' => TriggerKind::Click])];

        $placed = ['frame' => ['placement' => 'placed']] + $site();
        $blog = ['page' => null, 'site' => 'blog', 'address' => '/'];
        yield 'placed in a page: seen and closed before, come by email' => [null, $placed, self::at($blog + ['fromEmail' => true,
            'joined' => ['other' => self::moment('2027-03-10 11:00')], 'bought' => true,
            'facts' => [self::fact('shown', '2027-03-10 10:59'),
                self::fact('closed', '2027-03-10')]])];
        yield 'placed in a page: has it' => [Refusal::Joined, $placed,
            self::at($blog + ['joined' => ['guide' => self::moment('2027-03-01 11:00')]])];
        yield 'placed is never over a page of the funnel' => [Refusal::Page, ['frame' => ['placement' => 'placed']], self::at()];
    }

    /** @param  array<string, mixed>  $with */
    #[DataProvider('cases')]
    public function test_whether_it_is_shown_and_which_rule_says_no(?Refusal $expected, array $with, Situation $at): void
    {
        $verdict = PopupCheck::of(self::popup($with), $at);
        self::assertSame($expected, $verdict->refusal());
        self::assertSame($expected === null, $verdict->shows());
        $explained = PopupCheck::explained(self::popup($with), $at);
        self::assertSame($expected, $explained->refusal(), 'the first of all the rules that say no');
        self::assertSame($verdict->pattern, $explained->pattern);
        foreach ($explained->refusals as $words) {
            self::assertMatchesRegularExpression('/^[A-Z].+\.$/', $words);
        }
    }

    public function test_an_owner_is_told_every_rule_that_says_no(): void
    {
        $verdict = PopupCheck::explained(self::popup(['on' => false]),
            self::at(['fromEmail' => true, 'joined' => ['guide' => self::moment('2027-03-01 11:00')],
                'facts' => [self::fact('closed', '2027-03-09 11:00'), self::fact('shown', '2027-03-09 11:00')]]));

        self::assertSame(['off', 'joined', 'from-email', 'closed', 'again'], array_keys($verdict->refusals));
        self::assertSame('They closed it 24 hours ago, and are left alone for 30 days.', $verdict->refusals['closed']);
    }

    public function test_it_says_by_which_pages_of_a_site_it_holds(): void
    {
        $popup = self::popup(['targeting' => ['pages' => 'none', 'sites' => [['site' => 'blog', 'patterns' => [
            ['how' => 'exactly', 'text' => '/about'], ['how' => 'contains', 'text' => 'note']]]]]]);
        $pattern = fn (string $address): string => PopupCheck::of($popup, self::at(['page' => null, 'site' => 'blog',
            'address' => $address]))->pattern;

        self::assertSame(['is /about', 'contains note', ''], [$pattern('/about/'), $pattern('/notes/2'), $pattern('/shop')]);
    }
}
