<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use Lantern\Core\Plan\Changes;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Support\Invalid;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What differs between two versions, in words. */
final class ChangesTest extends TestCase
{
    /**
     * @return iterable<string, array{callable(array<string, mixed>): array<string, mixed>, array<string, list<string>>}> a change, and
     *     what is said of it
     */
    public static function changes(): iterable
    {
        $page = fn (callable $change, int $i = 0): callable => function (array $p) use ($change, $i): array {
            $p['pages'][$i] = $change($p['pages'][$i]);

            return $p;
        };
        $section = fn (callable $change): callable => $page(function (array $page) use ($change): array {
            $page['document']['sections'][0] = $change($page['document']['sections'][0]);

            return $page;
        });
        $title = 'The Twelve-Minute Practice Plan';

        yield 'nothing' => [fn (array $p): array => $p, []];
        yield 'the look' => [fn (array $p): array => ['look' => ['id' => 'salon']] + $p,
            ['The whole funnel' => ['The look is “Salon”; it was “Harbour”.']]];
        yield 'a colour' => [fn (array $p): array => ['look' => ['id' => 'harbour', 'accent' => '#123456']] + $p,
            ['The whole funnel' => ['Your own colours or fonts are different.']]];
        yield 'the logo' => [fn (array $p): array => ['logo' => 'p'] + $p, ['The whole funnel' => ['The logo or the icon is different.']]];
        yield 'own fields' => [fn (array $p): array => ['fields' => ['programme' => 'x']] + $p,
            ['The whole funnel' => ['The funnel’s own fields are different.']]];
        yield 'the business' => [fn (array $p): array => ['sender' => ['name' => 'Somebody'] + $p['sender']] + $p,
            ['The whole funnel' => ['What Settings say of your business is different.']]];
        yield 'the order of pages' => [function (array $p): array {
            $p['pages'] = array_reverse($p['pages']);

            return $p;
        }, ['The whole funnel' => ['The pages are in another order.']]];

        yield 'a name' => [$page(fn (array $p): array => ['name' => 'Start'] + $p), ['Start' => ['It was called “Opt-in page”.']]];
        yield 'an address' => [$page(fn (array $p): array => ['address' => 'thanks'] + $p, 1),
            ['Thank-you page' => ['Its address ends in “thanks”; “thank-you” leads there from now on.']]];
        yield 'settings' => [$page(fn (array $p): array => ['settings' => ['title' => 'x']] + $p),
            ['Opt-in page' => ['What it tells browsers and search engines, or your own code on it, is different.']]];
        yield 'a background' => [$page(function (array $p): array {
            $p['document']['background'] = ['fill' => 'colour', 'colour' => '#123456'];

            return $p;
        }), ['Opt-in page' => ['Its look or its background is different.']]];

        yield 'a heading' => [$section(function (array $s): array {
            $s['blocks'][0]['text'] = 'Another one';

            return $s;
        }), ['Opt-in page' => ['Changed in “Another one”: heading.']]];
        yield 'words' => [$section(function (array $s): array {
            $s['blocks'][1]['html'] = 'Others';

            return $s;
        }), ['Opt-in page' => ["Changed in “{$title}”: words."]]];
        yield 'a picture' => [$section(function (array $s): array {
            $s['blocks'][3]['picture'] = 'p';

            return $s;
        }), ['Opt-in page' => ["Changed in “{$title}”: picture."]]];
        yield 'a style' => [$section(function (array $s): array {
            $s['blocks'][] = ['id' => 'new', 'kind' => 'divider'];

            return $s;
        }), ['Opt-in page' => ["Changed in “{$title}”: divider added."]]];
        yield 'a block less' => [$section(function (array $s): array {
            unset($s['blocks'][3]);

            return $s;
        }), ['Opt-in page' => ["Changed in “{$title}”: cover removed."]]];
        yield 'the order of blocks' => [$section(function (array $s): array {
            $s['blocks'] = array_reverse($s['blocks']);

            return $s;
        }), ['Opt-in page' => ["Changed in “{$title}”: order."]]];
        yield 'several things in one section' => [$section(function (array $s): array {
            $s['arrangement'] = 'boxed';
            $s['hidden'] = 'phone';
            $s['entrance'] = 'fade';
            $s['background'] = ['fill' => 'tone', 'tone' => 'ink'];

            return $s;
        }), ['Opt-in page' => ["Changed in “{$title}”: arrangement, background, where it is hidden, how it comes in."]]];
        yield 'a new section' => [$page(function (array $p): array {
            $p['document']['sections'][] = ['id' => 'new', 'kind' => 'divider', 'blocks' => [['id' => 'd', 'kind' => 'divider']]];

            return $p;
        }), ['Opt-in page' => ['New section: “Divider”.']]];
        yield 'a section less' => [$page(function (array $p): array {
            array_pop($p['document']['sections']);

            return $p;
        }), ['Opt-in page' => ['Removed: “{{business}} · You can unsubscribe from any email with one …”.']]];
        yield 'sections in another order' => [$page(function (array $p): array {
            $p['document']['sections'] = array_reverse($p['document']['sections']);

            return $p;
        }), ['Opt-in page' => ['Its sections are in another order.']]];

        yield 'a way' => [fn (array $p): array => ['ways' => [['page' => $p['pages'][0]['id'], 'outcome' => 'joined',
            'toUrl' => 'https://else.example/']]] + $p,
            ['Opt-in page' => ['Those who joined go to https://else.example/.']]];
        yield 'no way' => [fn (array $p): array => ['ways' => []] + $p, ['Opt-in page' => ['Those who joined are led nowhere.']]];
        yield 'a new page' => [function (array $p): array {
            $p['pages'][] = ['id' => 'new', 'role' => 'free', 'name' => 'About me', 'address' => 'about',
                'document' => ['format' => 2, 'sections' => []]];

            return $p;
        }, ['About me' => ['This page is new.']]];
        yield 'a page less' => [function (array $p): array {
            array_pop($p['pages']);

            return ['ways' => []] + $p;
        }, ['Opt-in page' => ['Those who joined are led nowhere.'], 'Thank-you page' => ['This page is removed.']]];

        yield 'a form' => [function (array $p): array {
            $p['forms'][0]['button'] = 'Now';

            return $p;
        }, ['Forms, emails and files' => ['Changed form: “Sign-up form”.']]];
        yield 'an email' => [function (array $p): array {
            $p['emails'][0]['subject'] = 'Now';

            return $p;
        }, ['Forms, emails and files' => ['Changed email: “Welcome email” (its subject).']]];
        yield 'when an email goes out, to whom, and its words' => [function (array $p): array {
            $p['emails'][0] = ['timing' => ['from' => 'joining', 'days' => 2], 'body' => '<p>x</p>', 'only' => ['all' => true, 'rules' => [
                ['kind' => 'tag', 'tag' => 'x']]]] + $p['emails'][0];

            return $p;
        }, ['Forms, emails and files' => ['Changed email: “Welcome email” (its text, when it goes out, who gets it).']]];
        yield 'everything about a sequence' => [function (array $p): array {
            $p['sequences'][0] = ['ends' => [['kind' => 'tag', 'tag' => 'Gone']], 'again' => true,
                'window' => ['days' => [1], 'from' => 9, 'to' => 12], 'byReader' => false] + $p['sequences'][0];

            return $p;
        }, ['Forms, emails and files' => ['Changed sequence: “Follow-up” (what ends it, whether people can be in it again, '
            .'when its emails may go out).']]];
        yield 'a sequence less' => [fn (array $p): array => ['sequences' => [], 'emails' => []] + $p,
            ['Forms, emails and files' => ['Removed sequence: “Follow-up”.', 'Removed email: “Welcome email”.']]];
        yield 'a form less' => [fn (array $p): array => ['forms' => []] + $p,
            ['Forms, emails and files' => ['Removed form: “Sign-up form”.']]];
        yield 'a lead magnet less' => [fn (array $p): array => ['leadMagnets' => []] + $p,
            ['Forms, emails and files' => ["Removed lead magnet: “{$title}”."]]];
        yield 'what a page is for' => [$page(fn (array $p): array => ['role' => 'sales'] + $p),
            ['Opt-in page' => ['It is a page of another kind now: Sales page; it was: Opt-in page.']]];
        yield 'the name and the address of the funnel' => [fn (array $p): array => ['name' => 'New', 'address' => 'new'] + $p,
            ['The whole funnel' => ['The funnel was called “Practice plan”.',
                'Its address is “new”; “practice-plan” leads there from now on.']]];
        yield 'the order of forms' => [function (array $p): array {
            $p['forms'] = [['id' => 'second', 'name' => 'Second'] + $p['forms'][0], ...$p['forms']];

            return $p;
        }, ['Forms, emails and files' => ['New form: “Second”.']]];
        yield 'an email less' => [fn (array $p): array => ['emails' => []] + $p,
            ['Forms, emails and files' => ['Removed email: “Welcome email”.']]];
        yield 'an email more' => [function (array $p): array {
            $p['emails'][] = ['id' => 'new', 'name' => 'Day 3'] + $p['emails'][0];

            return $p;
        }, ['Forms, emails and files' => ['New email: “Day 3”.']]];
        yield 'another file' => [function (array $p): array {
            $p['leadMagnets'][0]['file'] = 'other';

            return $p;
        }, ['Forms, emails and files' => ["Changed lead magnet: “{$title}”."]]];
    }

    /** @param  array<string, list<string>>  $said */
    #[DataProvider('changes')]
    public function test_a_change_is_said_where_it_is(callable $change, array $said): void
    {
        $was = Plans::giveAway();

        self::assertSame($said, self::said($was, Plans::changed($change, $was)));
    }

    /** @param  array<string, list<string>>  $said */
    #[DataProvider('changes')]
    public function test_whatever_changed_is_said_the_other_way_round_too(callable $change, array $said): void
    {
        $was = Plans::giveAway();

        self::assertSame($said === [], self::said(Plans::changed($change, $was), $was) === []);
    }

    public function test_nothing_that_differs_is_passed_over_in_silence(): void
    {
        $tried = 0;
        foreach (Plans::all() as $was) {
            foreach (self::changedOnce($was->toArray()) as $where => $array) {
                try {
                    $is = Plan::fromArray(['id' => $was->id] + $array);
                } catch (Invalid) {
                    continue;
                }
                self::assertSame($is->toArray() !== $was->toArray(), Changes::between($was, $is) !== [], $where);
                $tried++;
            }
        }
        self::assertGreaterThan(100, $tried);
    }

    /**
     * The same with one value in it changed or missing, each in turn.
     *
     * @param  array<array-key, mixed>  $array
     * @return iterable<string, array<array-key, mixed>>
     */
    private static function changedOnce(array $array, string $path = ''): iterable
    {
        foreach ($array as $key => $value) {
            foreach (match (true) {
                is_array($value) => self::changedOnce($value, "{$path}.{$key}"),
                is_bool($value) => [! $value],
                is_int($value) => [$value + 1],
                default => ["{$value}x"],
            } as $deeper => $other) {
                yield "{$path}.{$key} {$deeper}" => [$key => $other] + $array;
            }
            yield "{$path}.{$key} is missing" => array_is_list($array) ? array_values(array_diff_key($array, [$key => 0]))
                : array_diff_key($array, [$key => 0]);
        }
    }

    /** @return array<string, list<string>> */
    private static function said(Plan $was, Plan $is): array
    {
        $said = [];
        foreach (Changes::between($was, $is) as $group) {
            $said[$group->about] = $group->sentences;
        }

        return $said;
    }
}
