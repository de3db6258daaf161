<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use Lantern\Core\Plan\Changes;
use Lantern\Core\Plan\Plan;
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
            $s['background'] = ['fill' => 'tone', 'tone' => 'ink'];

            return $s;
        }), ['Opt-in page' => ["Changed in “{$title}”: arrangement, background, where it is hidden."]]];
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
        }, ['Forms, emails and files' => ['Changed email: “Welcome email”.']]];
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
