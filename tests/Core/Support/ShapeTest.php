<?php

declare(strict_types=1);

namespace Tests\Core\Support;

use Lantern\Core\Events\Outcome;
use Lantern\Core\Page\Look\Colour;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Way;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** Reading what cannot be trusted: every miss is named by its place. */
final class ShapeTest extends TestCase
{
    private static function shape(): Shape
    {
        return Shape::of([
            'text' => 'words', 'number' => 3, 'yes' => true, 'list' => ['a', 'b'], 'group' => ['inner' => 'x'],
            'groups' => [['inner' => 'x'], ['inner' => 'y']], 'goal' => 'give-away', 'broken' => "\xC3\x28", 'null' => null,
            'keyed' => ['a' => 'b'],
        ], 'top');
    }

    public function test_what_is_there_is_read(): void
    {
        $shape = self::shape();

        self::assertSame('words', $shape->text('text'));
        self::assertSame('other', $shape->text('missing', default: 'other'));
        self::assertNull($shape->optionalText('missing'));
        self::assertNull($shape->optionalText('null'));
        self::assertSame(3, $shape->integer('number', 0, 5));
        self::assertSame(7, $shape->integer('missing', 0, 9, 7));
        self::assertTrue($shape->flag('yes'));
        self::assertFalse($shape->flag('missing'));
        self::assertSame(Goal::GiveAway, $shape->choice('goal', Goal::class));
        self::assertSame(['a', 'b'], $shape->texts('list'));
        self::assertSame([], $shape->texts('missing'));
        self::assertSame('x', $shape->group('group')->text('inner'));
        self::assertNull($shape->optionalGroup('missing'));
        self::assertSame(['x', 'y'], array_map(fn (Shape $s): string => $s->text('inner'), $shape->groups('groups')));
    }

    /** @return iterable<string, array{callable(Shape): mixed, string}> */
    public static function misses(): iterable
    {
        yield 'no text' => [fn (Shape $s): mixed => $s->text('missing'), 'top.missing'];
        yield 'a number for a text' => [fn (Shape $s): mixed => $s->text('number'), 'top.number'];
        yield 'broken emails' => [fn (Shape $s): mixed => $s->text('broken'), 'top.broken'];
        yield 'too long' => [fn (Shape $s): mixed => $s->text('text', 4), 'top.text'];
        yield 'a text for a number' => [fn (Shape $s): mixed => $s->integer('text', 0, 9), 'top.text'];
        yield 'too small' => [fn (Shape $s): mixed => $s->integer('number', 4, 9), 'top.number'];
        yield 'too large' => [fn (Shape $s): mixed => $s->integer('number', 0, 2), 'top.number'];
        yield 'a text for yes or no' => [fn (Shape $s): mixed => $s->flag('text'), 'top.text'];
        yield 'none of the choices' => [fn (Shape $s): mixed => $s->choice('text', Goal::class), 'top.text'];
        yield 'a text for a group' => [fn (Shape $s): mixed => $s->group('text'), 'top.text'];
        yield 'a missing group' => [fn (Shape $s): mixed => $s->group('missing'), 'top.missing'];
        yield 'a miss deep down' => [fn (Shape $s): mixed => $s->groups('groups')[1]->integer('inner', 0, 1), 'top.groups.1.inner'];
        yield 'a list that has keys' => [fn (Shape $s): mixed => $s->texts('keyed'), 'top.keyed'];
        yield 'a list that is too long' => [fn (Shape $s): mixed => $s->groups('groups', 1), 'top.groups'];
        yield 'a list of groups for a list of texts' => [fn (Shape $s): mixed => $s->texts('groups'), 'top.groups.0.it'];
        yield 'texts for a list of groups' => [fn (Shape $s): mixed => $s->groups('list'), 'top.list.0'];
    }

    /** @param  callable(Shape): mixed  $read */
    #[DataProvider('misses')]
    public function test_a_miss_is_named_by_its_place(callable $read, string $path): void
    {
        try {
            $read(self::shape());
            self::fail('It was read.');
        } catch (Invalid $e) {
            self::assertSame($path, $e->path);
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function colours(): iterable
    {
        yield 'six digits' => ['#1E6B5E', '#1e6b5e'];
        yield 'three digits' => ['#fA0', '#ffaa00'];
    }

    #[DataProvider('colours')]
    public function test_colours_are_read(string $written, string $hex): void
    {
        self::assertSame($hex, Colour::of($written)->hex());
    }

    /** @return iterable<string, array{string}> */
    public static function noColours(): iterable
    {
        foreach (['', 'red', '1e6b5e', '#1e6b5', '#1e6b5e;color:red', "#1e6b5e\n", '#gggggg', 'rgb(0,0,0)', '#1e6b5eff'] as $written) {
            yield json_encode($written, JSON_THROW_ON_ERROR) => [$written];
        }
    }

    #[DataProvider('noColours')]
    public function test_what_is_no_colour(string $written): void
    {
        $this->expectException(Invalid::class);
        Colour::of($written, 'accent');
    }

    public function test_mixing_stays_within_the_colours(): void
    {
        $black = Colour::of('#000000');
        $white = Colour::of('#ffffff');
        self::assertSame('#000000', $black->mixedWith($white, 0)->hex());
        self::assertSame('#808080', $black->mixedWith($white, 0.5)->hex());
        self::assertSame('#ffffff', $black->mixedWith($white, 1)->hex());
        self::assertSame('#ffffff', $black->mixedWith($white, 9)->hex());
        self::assertEqualsWithDelta(0.0, $black->luminance(), 1e-9);
        self::assertEqualsWithDelta(1.0, $white->luminance(), 1e-9);
    }

    public function test_there_are_eight_looks_and_no_two_alike(): void
    {
        $looks = Looks::all();
        self::assertGreaterThanOrEqual(8, count($looks));
        $traits = array_map(fn ($l): string => $l->paper->hex().$l->accent->hex(), $looks);
        self::assertCount(count($looks), array_unique($traits), 'each has colours of its own');
        $type = array_map(fn ($l): string => $l->headingFont, $looks);
        self::assertCount(count($looks), array_unique($type), 'each has a heading font of its own');
        $this->expectException(Invalid::class);
        Looks::get('none such');
    }

    /** @return iterable<string, array{callable(array<string, mixed>): array<string, mixed>, string}> */
    public static function brokenPlans(): iterable
    {
        yield 'another format' => [fn (array $p): array => ['format' => 99] + $p, 'format'];
        yield 'no format' => [fn (array $p): array => array_diff_key($p, ['format' => 0]), 'format'];
        yield 'an unknown goal' => [fn (array $p): array => ['goal' => 'world-peace'] + $p, 'goal'];
        yield 'an unknown look' => [fn (array $p): array => ['look' => ['id' => 'x']] + $p, 'look'];
        yield 'a colour that is none' => [fn (array $p): array => ['look' => ['id' => 'chalk', 'accent' => 'blue']] + $p, 'look.accent'];
        yield 'parts that are no list' => [fn (array $p): array => ['parts' => 'none'] + $p, 'parts'];
        yield 'a part of an unknown kind' => [function (array $p): array {
            $p['parts'][0]['kind'] = 'casino';

            return $p;
        }, 'parts.0.kind'];
        yield 'a part without a name' => [function (array $p): array {
            $p['parts'][2]['name'] = ' ';

            return $p;
        }, 'parts.2.name'];
        yield 'a page of an unknown role' => [function (array $p): array {
            $p['parts'][1]['role'] = 'casino';

            return $p;
        }, 'parts.1.role'];
        yield 'a broken document' => [function (array $p): array {
            $p['parts'][1]['document']['sections'][0]['kind'] = 'pit';

            return $p;
        }, 'parts.1.document.sections.0.kind'];
        yield 'a way to a script' => [function (array $p): array {
            $p['ways'][0]['toUrl'] = 'javascript:alert(1)';

            return $p;
        }, 'ways.0.toUrl'];
        yield 'a way to nowhere' => [function (array $p): array {
            unset($p['ways'][0]['toPage']);

            return $p;
        }, 'ways.0.toPage'];
        yield 'a form without fields' => [function (array $p): array {
            $p['parts'][2]['fields'] = [];

            return $p;
        }, 'parts.2.fields'];
        yield 'an email without a body' => [function (array $p): array {
            unset($p['parts'][4]['body']);

            return $p;
        }, 'parts.4.body'];
    }

    /** @param  callable(array<string, mixed>): array<string, mixed>  $break */
    #[DataProvider('brokenPlans')]
    public function test_a_broken_plan_is_refused_by_its_place(callable $break, string $path): void
    {
        try {
            Plan::fromArray($break(Plans::giveAway()->toArray()));
            self::fail('It was taken.');
        } catch (Invalid $e) {
            self::assertSame($path, $e->path);
        }
    }

    public function test_a_plan_finds_its_parts(): void
    {
        $plan = Plans::giveAway();

        self::assertSame($plan->pages[0], $plan->entry());
        self::assertSame($plan->pages[1], $plan->pageAt('thank-you'));
        self::assertSame($plan->pages[1], $plan->page($plan->pages[1]->id));
        self::assertSame($plan->forms[0], $plan->form($plan->forms[0]->id));
        self::assertSame($plan->emails[0], $plan->email($plan->emails[0]->id));
        self::assertSame($plan->leadMagnets[0], $plan->leadMagnet('gift'));
        foreach ([$plan->page('x'), $plan->pageAt('x'), $plan->form('x'), $plan->email('x'), $plan->leadMagnet('x'),
            $plan->way('x', Outcome::Joined), $plan->way($plan->pages[0]->id, Outcome::Bought)] as $nothing) {
            self::assertNull($nothing);
        }
    }

    /** @return iterable<string, array{string, bool}> */
    public static function outsideAddresses(): iterable
    {
        yield 'https' => ['https://ferncroft.example/next?x=1#y', true];
        yield 'http' => ['http://ferncroft.example', true];
        yield 'script' => ['javascript:alert(1)', false];
        yield 'data' => ['data:text/html,x', false];
        yield 'no scheme' => ['//ferncroft.example', false];
        yield 'a path' => ['/studio', false];
        yield 'blanks' => ['https://ferncroft.example/a b', false];
        yield 'a second line' => ["https://ferncroft.example/\nSet-Cookie: x", false];
        yield 'markup' => ['https://ferncroft.example/"><script>', false];
        yield 'a backslash' => ['https:\\\\ferncroft.example', false];
        yield 'endless' => ['https://ferncroft.example/'.str_repeat('a', 2000), false];
    }

    #[DataProvider('outsideAddresses')]
    public function test_where_an_outcome_may_lead(string $url, bool $allowed): void
    {
        try {
            $way = Way::outside('page', Outcome::Joined, $url);
            self::assertTrue($allowed);
            self::assertSame(['page' => 'page', 'outcome' => 'joined', 'toUrl' => $url], $way->toArray());
        } catch (Invalid $e) {
            self::assertFalse($allowed, $e->getMessage());
        }
    }

    public function test_every_outcome_says_itself_in_words(): void
    {
        $labels = array_map(fn (Outcome $o): string => $o->label(), Outcome::cases());
        self::assertSame(['joined', 'confirmed', 'chose the offer', 'bought', 'said no thanks', 'attended', 'missed it', 'time ran out'],
            $labels);
    }
}
