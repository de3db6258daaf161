<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use Lantern\Core\Checks\Finding;
use Lantern\Core\Checks\GoLiveCheck;
use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Languages\Language;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\LeadMagnet;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\PlanCopy;
use Lantern\Core\Plan\Sender;
use Lantern\Core\Plan\Way;
use Lantern\Core\Plan\WebAddress;
use Lantern\Core\Support\Invalid;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PlanTest extends TestCase
{
    public function test_a_starter_is_complete_connected_and_ready_to_go_live(): void
    {
        foreach ([Plans::giveAway(), Plans::waitingList()] as $plan) {
            self::assertSame([], array_map(fn (Finding $f): string => $f->message, GoLiveCheck::of($plan)));
            self::assertSame($plan->pages[1]->id, $plan->way($plan->pages[0]->id, Outcome::Joined)?->toPage);
            self::assertSame(['', 'thank-you'], array_map(fn ($p): string => $p->address, $plan->pages));
        }
        self::assertTrue(Plans::giveAway()->emails[0]->linksToLeadMagnet());
    }

    public function test_a_title_with_markup_is_plain_text_everywhere(): void
    {
        $plan = Plans::giveAway(title: '<img src=x onerror=alert(1)> & "more"');

        self::assertStringNotContainsString('<img',
            $plan->emails[0]->body.json_encode($plan->pages[1]->document->sections[0]->blocks[1]->field('html')));
        self::assertStringContainsString('&lt;img', $plan->emails[0]->body);
    }

    public function test_a_plan_comes_back_as_it_was_written_and_a_copy_shares_no_id(): void
    {
        $plan = Plans::giveAway();
        self::assertSame($plan->toArray(), Plan::fromArray(json_decode((string) json_encode($plan->toArray()), true))->toArray());

        $n = 0;
        $copy = PlanCopy::of($plan, 'Copy', 'copy', function () use (&$n): string {
            return 'new'.++$n;
        });
        $ids = fn (Plan $p): array => [$p->id,
            ...array_map(fn ($x): string => $x->id, [...$p->pages, ...$p->forms, ...$p->emails, ...$p->leadMagnets])];
        self::assertSame([], array_intersect($ids($plan), $ids($copy)));
        self::assertSame([], GoLiveCheck::of($copy), 'its parts still belong together');
        self::assertSame(['Copy', 'copy', 'file'], [$copy->name, $copy->address, $copy->leadMagnets[0]->file]);
    }

    /** @return iterable<string, array{Plan, list<string>}> a plan and the codes of what is found, blockers marked */
    public static function findings(): iterable
    {
        $edit = fn (callable $change): Plan => Plans::changed($change);
        $block = fn (int $page, int $block,
            array $values): Plan => Plans::changed(function (array $plan) use ($page, $block, $values): array {
                $plan['pages'][$page]['document']['sections'][0]['blocks'][$block] = $values
                    + $plan['pages'][$page]['document']['sections'][0]['blocks'][$block];

                return $plan;
            });
        yield 'no file yet' => [Plans::giveAway(withFile: false), ['file-missing!']];
        yield 'no postal address' => [Plans::giveAway(new Sender('Ferncroft', 'Imke', 'imke@ferncroft.example', '  ', 'UTC')),
            ['sender-missing!']];
        yield 'an outcome that leads nowhere' => [$edit(fn (array $p): array => ['ways' => []] + $p), ['dead-end!', 'unreachable']];
        yield 'an outcome that leads to a page that is gone' => [$edit(function (array $p): array {
            $p['ways'][0]['toPage'] = 'gone';

            return $p;
        }), ['dead-end!', 'unreachable']];
        yield 'an outcome that leads outside' => [$edit(fn (array $p): array => ['ways' => [Way::outside($p['pages'][0]['id'],
            Outcome::Joined, 'https://ferncroft.example/next')->toArray()]] + $p), ['unreachable']];
        $alone = fn (string $role): Plan => $edit(fn (array $p): array => ['pages' => [...$p['pages'],
            ['id' => 'alone', 'role' => $role, 'address' => 'alone'] + $p['pages'][1]]] + $p);
        yield 'a page no way leads to' => [$alone('free'), ['unreachable']];
        yield 'the closed page, which is shown without a way' => [$alone('closed'), []];
        yield 'no pages' => [$edit(fn (array $p): array => ['pages' => [], 'ways' => []] + $p), ['no-pages!']];
        yield 'a prompt left in a heading' => [$block(0, 0, ['text' => 'Learn [what they will learn]']), ['placeholder!']];
        yield 'filler in a text' => [$block(0, 1, ['html' => '<b>Lorem</b> ipsum dolor']), ['placeholder!']];
        yield 'brackets people use' => [$block(0, 1, ['html' => 'A note [1] as written [sic]']), []];
        yield 'no headline' => [$block(0, 0, ['text' => '']), ['no-headline!', 'empty-heading']];
        yield 'a form that is gone' => [$block(0, 2, ['form' => 'gone']), ['form-gone!']];
        yield 'an opt-in page without a form' => [$block(0, 2, ['kind' => 'text', 'html' => 'x']), ['no-form!']];
        yield 'a button that leads nowhere' => [$block(0, 1, ['kind' => 'button', 'text' => 'Go', 'url' => '']), ['empty-link!']];
        yield 'a picture without a description' => [$block(0, 3, ['kind' => 'picture', 'picture' => 'p', 'alt' => ' ']),
            ['no-description']];
        yield 'a download of nothing' => [$block(1, 2, ['leadMagnet' => 'gone']), ['download-gone!']];
        yield 'an email without a subject' => [$edit(fn (array $p): array => ['emails' => [['subject' => ' '] + $p['emails'][0]]] + $p),
            ['no-subject!']];
        yield 'an empty email' => [$edit(fn (array $p): array => ['emails' => [['body' => '<p> &nbsp;</p>', 'name' => 'Hello']
            + $p['emails'][0]]] + $p), ['empty-email!']];
        yield 'an unknown merge field' => [$edit(fn (array $p): array => ['emails' => [['subject' => 'Hi {{shoe_size|you}}']
            + $p['emails'][0]]] + $p), ['unknown-field']];
        yield 'an email promises a file this funnel does not have' => [Plans::changed(function (array $p): array {
            $p['emails'][0]['body'] = '<a href="{{download_link}}">x</a>';

            return $p;
        }, Plans::waitingList()), ['download-gone!']];
        yield 'nothing hands the gift over' => [$edit(function (array $p): array {
            unset($p['pages'][1]['document']['sections'][0]['blocks'][2]);
            $p['pages'][1]['document']['sections'][0]['blocks'] = array_values($p['pages'][1]['document']['sections'][0]['blocks']);
            $p['emails'] = [];

            return $p;
        }), ['not-delivered!']];
    }

    /** @param  list<string>  $codes */
    #[DataProvider('findings')]
    public function test_the_go_live_check(Plan $plan, array $codes): void
    {
        $found = GoLiveCheck::of($plan);

        self::assertSame($codes, array_map(fn (Finding $f): string => $f->code.($f->blocks ? '!' : ''), $found));
        self::assertSame($codes !== [] && str_ends_with(implode('', $codes), '!') || str_contains(implode(' ', $codes), '! '),
            GoLiveCheck::blocked($found));
    }

    /** @return iterable<string, array{string, list<string>, string}> words, addresses taken, suggestion */
    public static function suggestions(): iterable
    {
        yield 'plain' => ['The Twelve-Minute Practice Plan', [], 'the-twelve-minute-practice-plan'];
        yield 'taken' => ['Plan', ['plan', 'plan-2'], 'plan-3'];
        yield 'reserved' => ['Studio', [], 'studio-2'];
        yield 'other emails' => ['Größe & Übung – für später!', [], 'grosse-ubung-fur-spater'];
        yield 'another script' => ['Виолончель', [], 'violoncel'];
        yield 'an apostrophe' => ["Beginner's luck", [], 'beginners-luck'];
        yield 'nothing left' => ['!!! ???', [], 'funnel'];
        yield 'long words end at a word' => [str_repeat('twelve minutes ', 20), [], 'twelve-minutes-twelve-minutes-twelve-minutes'];
        yield 'one endless word' => [str_repeat('x', 300), [], str_repeat('x', 48)];
    }

    /** @param  list<string>  $taken */
    public function test_a_language_that_is_not_spoken_is_said_before_it_goes_live(): void
    {
        $in = fn (array $more): array => array_map(fn (Finding $f): string => $f->code,
            GoLiveCheck::of(Plan::fromArray($more + Plans::of(Goal::GiveAway)->toArray())));

        self::assertSame(['language'], array_values(array_intersect($in(['language' => 'sv']), ['language'])));
        self::assertNotContains('language', $in(['language' => 'de-AT-x-formal']));
        self::assertNotContains('language', $in(['language' => 'sv', 'phrases' => ['sv' => ['page.close' => 'Stäng']]]));
        self::assertContains('language', $in(['language' => 'sv', 'phrases' => ['nb' => ['page.close' => 'Lukk']]]));
    }

    /** @return iterable<string, array{string, string, string}> words, language, suggestion */
    public static function spelt(): iterable
    {
        yield 'German' => ['Größe, Übung & Maß', 'de', 'groesse-uebung-mass'];
        yield 'German, formal, of Austria' => ['Fürs Üben', 'de-AT-x-formal', 'fuers-ueben'];
        yield 'Swedish' => ['Över ån', 'sv', 'over-an'];
        yield 'French' => ['L’été à Nîmes', 'fr', 'lete-a-nimes'];
        yield 'Spanish' => ['¿Mañana? ¡Sí!', 'es', 'manana-si'];
        yield 'Polish' => ['Łódź, żółw', 'pl', 'lodz-zolw'];
        yield 'Hebrew' => ['שלום עולם', 'he', 'slwm-wlm'];
        yield 'Greek' => ['Καλημέρα', 'el', 'kalemera'];
    }

    #[DataProvider('spelt')]
    public function test_an_address_is_spelt_as_its_language_spells(string $words, string $language, string $address): void
    {
        self::assertSame($address, WebAddress::check(WebAddress::suggest($words, fn (): bool => false, $language)));
    }

    #[DataProvider('suggestions')]
    public function test_an_address_is_made_from_words(string $words, array $taken, string $address): void
    {
        $suggested = WebAddress::suggest($words, fn (string $a): bool => in_array($a, $taken, true));
        self::assertSame($address, $suggested);
        self::assertSame($address, WebAddress::check($suggested));
    }

    public function test_what_no_address_can_be(): void
    {
        $refused = 0;
        foreach (['', 'Plan', 'two words', 'a--b', '-a', 'a-', 'ümlaut', 'a/b', '../etc', "a\n", 'studio', 'up', 'media', 'f',
            str_repeat('a', 61)] as $address) {
            try {
                WebAddress::check($address);
            } catch (Invalid $e) {
                $refused++;
            }
        }
        self::assertSame(15, $refused);
    }

    /** @return iterable<string, array{string, array<string, string>, string}> */
    public static function merges(): iterable
    {
        yield 'known' => ['Hello {{first_name|there}}', ['first_name' => 'Robin'], 'Hello Robin'];
        yield 'not known' => ['Hello {{first_name|there}}', [], 'Hello there'];
        yield 'known to be empty' => ['Hello {{ first_name | there }}', ['first_name' => '  '], 'Hello there'];
        yield 'no fallback' => ['{{last_name}}!', [], '!'];
        yield 'escaped' => ['{{first_name}}', ['first_name' => '<b>&'], '&lt;b&gt;&amp;'];
        yield 'an escaped fallback is escaped once' => ['{{first_name|you &amp; me}}', [], 'you &amp; me'];
        yield 'a field in a name stays words' => ['{{first_name}}', ['first_name' => '{{email}}', 'email' => 'x@example.com'], '{{email}}'];
        yield 'not a field' => ['{{First Name}} {{a|b|c}} {first_name}', ['a' => 'x'], '{{First Name}} {{a|b|c}} {first_name}'];
    }

    /** @param  array<string, string>  $values */
    #[DataProvider('merges')]
    public function test_merge_fields(string $text, array $values, string $filled): void
    {
        self::assertSame($filled, MergeFields::fill($text, $values, fn (string $s): string => htmlspecialchars($s, ENT_QUOTES)));
    }

    public function test_a_file_says_its_kind_and_size(): void
    {
        $size = fn (int $bytes, string $name = 'plan.pdf', string $in = 'en'): string => (new LeadMagnet('g', 'x', 'f', $name,
            'application/pdf', $bytes))->kindAndSize(Language::of($in));

        self::assertSame(['PDF, 1 kB', 'PDF, 48 kB', 'PDF, 1.0 MB', 'PDF, 12.3 MB', '2 kB', ''],
            [$size(1), $size(47_729), $size(1_000_000), $size(12_345_678), $size(1_600, 'plan'),
                (new LeadMagnet('g', 'x'))->kindAndSize(Language::of('en'))]);
        self::assertSame(['PDF, 1,2 MB', 'PDF, 1,2 Mo', 'PDF, 48 kB'], [$size(1_234_567, in: 'de'), $size(1_234_567, in: 'fr-CA'),
            $size(47_729, in: 'pl')], 'in the units of a language');
    }
}
