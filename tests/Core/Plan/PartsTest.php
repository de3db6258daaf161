<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Page\Document;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\Changes;
use Lantern\Core\Plan\PartKinds;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\PlanCopy;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The contract that every kind of part keeps. */
final class PartsTest extends TestCase
{
    /** A plan with one of everything, in which everything that can speak of something else does. */
    public static function plan(): Plan
    {
        $named = Plans::ofLists(json_decode(str_replace(['"gift"', ':"file"'], ['"magnet-1"', ':"file-1"'],
            (string) json_encode(Plans::lists(Plans::giveAway()))), true));

        return Plans::changed(function (array $p): array {
            $only = htmlspecialchars((string) json_encode(['kind' => 'deed', 'deed' => 'opened', 'not' => false,
                'with' => $p['emails'][0]['id']]), ENT_QUOTES);
            $p['sharedSections'] = [['id' => 'shared-1', 'name' => 'Footer',
                'section' => ['id' => 'shared-1', 'kind' => 'footer', 'blocks' => [
                    ['id' => 'x1', 'kind' => 'text', 'html' => 'See <a href="page:'.$p['pages'][1]['id'].'">this</a>'],
                    ['id' => 'x2', 'kind' => 'picture', 'picture' => 'pic', 'alt' => 'x']]]]];
            $p['pages'][0]['document']['sections'][] = ['id' => 'shown', 'kind' => 'footer', 'shared' => 'shared-1', 'blocks' => []];
            $p['pages'][0]['document']['background'] = ['fill' => 'video', 'picture' => 'still', 'video' => 'film'];
            $p['pages'][0]['settings'] = ['picture' => 'card'];
            $p['forms'][0]['confirm'] = ['body' => '<p><a href="{{page_'.$p['pages'][1]['id']
                .'}}">x</a></p><img src="picture:inconfirm" alt="">'
                .'<div data-only="'.$only.'"><p>y</p></div>'];
            $p['products'][] = ['id' => 'product-1', 'name' => 'First Season', 'tags' => ['x'], 'sequence' => $p['sequences'][0]['id'],
                'page' => $p['pages'][1]['id'], 'files' => [['id' => 'sold', 'name' => 'a.pdf', 'mime' => '', 'bytes' => 1]]];
            $p['offers'][] = ['id' => 'offer-1', 'name' => 'Extra', 'product' => 'product-1',
                'price' => ['kind' => 'once', 'amount' => 100, 'currency' => 'EUR']];
            $p['offers'][] = ['id' => 'offer-2', 'name' => 'Regular', 'product' => 'product-1',
                'price' => ['kind' => 'payments', 'amount' => 100, 'currency' => 'EUR', 'payments' => 3, 'every' => 'week',
                    'taxOnTop' => true],
                'places' => 10, 'oncePerPerson' => false, 'from' => '2027-01-01T00:00',
                'bumps' => [['offer' => 'offer-1', 'text' => 'x']]];
            $p['coupons'][] = ['id' => 'coupon-1', 'name' => 'Early', 'code' => 'EARLY', 'percent' => 10, 'offers' => ['offer-1'],
                'usesPerPerson' => 1];
            $p['deadlines'][] = ['id' => 'deadline-1', 'name' => 'Introductory', 'duration' => ['days' => 3, 'time' => '20:00'],
                'starts' => [['kind' => 'click', 'email' => $p['emails'][0]['id']], ['kind' => 'sequence',
                    'sequence' => $p['sequences'][0]['id']]],
                'latest' => ['moment' => '2027-01-01T18:00', 'zone' => 'Europe/Oslo'], 'grace' => 5, 'again' => 30, 'byAddress' => true,
                'pages' => [['page' => $p['pages'][0]['id'], 'before' => $p['pages'][1]['id']]], 'offers' => ['offer-1'],
                'warning' => ['minutes' => 60, 'text' => 'x', 'section' => 'shared-1'], 'leadsOn' => false];
            $step = fn (string $id, array $block): array => ['id' => $id, 'kind' => 'popup', 'blocks' => [['id' => "{$id}-1"] + $block]];
            $p['popups'][] = ['id' => 'popup-1', 'name' => 'Before you go', 'on' => true, 'asks' => true,
                'document' => ['format' => Document::FORMAT, 'sections' => [
                    $step('ask', ['kind' => 'button', 'text' => 'Yes', 'url' => 'popup:next']),
                    $step('main', ['kind' => 'form', 'form' => $p['forms'][0]['id']]),
                    $step('thanks', ['kind' => 'picture', 'picture' => 'pic', 'url' => 'page:'.$p['pages'][1]['id']])]],
                'frame' => ['placement' => 'placed', 'phone' => 'placed', 'ms' => 300], 'spot' => ['how' => 'mark', 'text' => 'here'],
                'triggers' => [['kind' => 'leaving'], ['kind' => 'depth', 'amount' => 40], ['kind' => 'section', 'section' => 's1']],
                'targeting' => ['pages' => 'some', 'ids' => [$p['pages'][0]['id']], 'device' => 'phone', 'languages' => ['de'],
                    'sites' => [['site' => 'blog', 'patterns' => [['how' => 'begins', 'text' => '/notes/', 'except' => true]]]],
                    'sources' => ['forum'], 'parameter' => 'term', 'value' => 'x'],
                'limits' => ['repeat' => 'days', 'days' => 3, 'most' => 2, 'from' => '2027-01-01T00:00',
                    'hours' => ['days' => [1, 2], 'from' => 8, 'to' => 12]],
                'never' => ['all' => true, 'rules' => [['kind' => 'deed', 'deed' => 'viewed', 'with' => $p['pages'][1]['id']]]],
                'tag' => 'From the pop-up', 'leadMagnet' => 'magnet-1'];
            $p['popups'][] = ['id' => 'popup-2', 'name' => 'Leads on', 'after' => ['kind' => 'page', 'to' => $p['pages'][1]['id']],
                'document' => ['format' => Document::FORMAT, 'sections' => [
                    $step('opens', ['kind' => 'button', 'text' => 'Open', 'url' => 'popup:popup-1'])]]];
            $p['webinars'][] = ['id' => 'webinar-1', 'name' => 'First melody', 'title' => 'First melody',
                'schedule' => ['kind' => 'recurring', 'zone' => 'Europe/Oslo', 'theirs' => true, 'times' => ['18:00'],
                    'recurrence' => ['every' => 'week', 'days' => [2], 'from' => '2027-01-05'], 'quietFrom' => 22, 'places' => 40,
                    'blackouts' => [['from' => '2027-02-01', 'until' => '2027-02-08']], 'closes' => 30],
                'mode' => 'automated', 'video' => 'film', 'pauses' => true, 'offer' => ['offer' => 'offer-1', 'second' => 600],
                'threshold' => ['minutes' => 20], 'replay' => ['days' => 2, 'until' => '2027-03-01T20:00', 'for' => 'not-attended'],
                'showsPlaces' => true];
            $p['splitTests'][] = ['id' => 'test-1', 'name' => 'Opt-in page', 'part' => $p['pages'][0]['id'], 'goal' => 'confirmation',
                'weight' => 3, 'mostDays' => 28, 'byItself' => true];
            $p['variants'][] = ['id' => 'variant-1', 'name' => 'Shorter', 'test' => 'test-1', 'letter' => 'c', 'weight' => 2,
                'document' => ['format' => Document::FORMAT, 'sections' => [['id' => 'v1', 'kind' => 'words', 'blocks' => [
                    ['id' => 'v2', 'kind' => 'picture', 'picture' => 'pic', 'url' => 'page:'.$p['pages'][1]['id']],
                    ['id' => 'v3', 'kind' => 'form', 'form' => $p['forms'][0]['id']]]]]]];
            foreach (['email' => ['later', ['subject' => 'y', 'body' => '<p>{{page_'.$p['pages'][1]['id'].'}}</p>'
                .'<img src="picture:inmail" alt="x">']],
                'popup' => ['popup-2', ['document' => $p['popups'][1]['document'], 'frame' => ['placement' => 'top', 'ms' => 200],
                    'triggers' => [['kind' => 'section', 'section' => 's1']]]],
                'timing' => [$p['sequences'][0]['id'], ['timings' => [['email' => 'later', 'timing' => ['from' => 'deadline',
                    'deadline' => 'deadline-1', 'edge' => 'end', 'days' => -2, 'hour' => 9]]]]]] as $of => [$part, $content]) {
                $p['splitTests'][] = ['id' => "test-{$of}", 'name' => "Of {$of}", 'part' => $part, 'of' => $of];
                $p['variants'][] = ['id' => "variant-{$of}", 'name' => 'Otherwise', 'test' => "test-{$of}", 'letter' => 'b', 'of' => $of]
                    + $content;
            }
            $p['guides'][] = ['id' => 'guide-1', 'title' => 'The practice plan', 'address' => 'read', 'open' => 2, 'saves' => false,
                'finish' => ['kind' => 'share', 'share' => 90], 'begun' => 'daily', 'finished' => 'at-once'];
            $p['guidePages'][] = ['id' => 'guide-page-1', 'guide' => 'guide-1', 'name' => 'Cover', 'document' => [
                'format' => Document::FORMAT, 'sections' => [['id' => 'g1', 'kind' => 'exercise', 'blocks' => [
                    ['id' => 'g2', 'kind' => 'reflection', 'text' => 'Why?'], ['id' => 'g3', 'kind' => 'checklist', 'items' => [
                        ['title' => 'Tune']]], ['id' => 'g4', 'kind' => 'picture', 'picture' => 'pic',
                            'url' => 'page:'.$p['pages'][1]['id']],
                    ['id' => 'g5', 'kind' => 'embed', 'url' => 'https://book.example.com/', 'text' => 'Book', 'size' => 'high']]]]]];
            $p['promises'][] = ['id' => 'promise-1', 'name' => 'Gets one email', 'visitor' => ['zone' => 'Pacific/Auckland',
                'name' => 'Robin Sample', 'email' => 'robin@example.com', 'phone' => true, 'tags' => ['x'],
                'parameters' => ['utm_source' => 'forum'], 'letters' => ['test-1' => 'c'], 'known' => true],
                'start' => '2027-04-14T10:00:00Z', 'choices' => [['do' => 'come', 'of' => $p['pages'][0]['id']],
                    ['do' => 'press', 'to' => 'page:'.$p['pages'][1]['id']], ['do' => 'read', 'of' => 'guide-1', 'to' => 'guide-page-1'],
                    ['do' => 'join', 'of' => $p['forms'][0]['id'], 'popup' => 'popup-1'], ['do' => 'buy', 'bumps' => ['offer-1']],
                    ['do' => 'wait', 'minutes' => 60]],
                'expected' => [['aspect' => 'emails', 'kind' => 'email', 'at' => '2027-04-14T10:00:00Z', 'choice' => 1, 'of' => 'later']],
                'about' => ['emails']];
            $p['rules'][] = ['id' => 'rule-1', 'name' => 'Watching', 'when' => [['kind' => 'page', 'page' => $p['pages'][1]['id'],
                'times' => 3],
                ['kind' => 'date', 'field' => 'birthday', 'yearly' => true, 'days' => -3]], 'after' => ['days' => 2, 'time' => '09:00'],
                'only' => ['all' => true, 'rules' => [['kind' => 'deed', 'deed' => 'viewed', 'with' => $p['pages'][0]['id']]]],
                'acts' => [['kind' => 'tag', 'tag' => 'x'], ['kind' => 'untag', 'tag' => 'y'],
                    ['kind' => 'start-sequence', 'sequence' => $p['sequences'][0]['id']],
                    ['kind' => 'end-sequence', 'sequence' => $p['sequences'][0]['id']], ['kind' => 'send-email', 'email' => 'later'],
                    ['kind' => 'field', 'field' => 'level', 'value' => '{{today}}'], ['kind' => 'note', 'words' => 'n'],
                    ['kind' => 'tell', 'words' => 't'], ['kind' => 'call', 'url' => 'https://hooks.example.com/x'],
                    ['kind' => 'start-deadline', 'deadline' => 'deadline-1']], 'eachTime' => true];
            $p['emails'][] = ['id' => 'later', 'name' => 'Later', 'subject' => 'x', 'sequence' => $p['sequences'][0]['id'],
                'timing' => ['from' => 'joining', 'days' => 3],
                'body' => '<p>{{page_'.$p['pages'][1]['id'].'}} <a href="{{ page_'.$p['pages'][0]['id']
                    .' }}">x</a></p><img src="picture:inmail" alt="x"><div data-only="'.$only.'"><p>y</p></div>',
                'only' => ['all' => true,
                    'rules' => [['kind' => 'deed', 'deed' => 'viewed', 'with' => $p['pages'][1]['id']]]]];
            $p['emails'][] = ['id' => 'the-day-before', 'name' => 'Tomorrow', 'subject' => 'x', 'sequence' => $p['sequences'][0]['id'],
                'body' => '<p>x</p>', 'timing' => ['from' => 'deadline', 'deadline' => 'deadline-1', 'edge' => 'end', 'days' => -1,
                    'hour' => 9]];

            return $p;
        }, $named);
    }

    /** @return iterable<string, array{class-string<Part>}> */
    public static function kinds(): iterable
    {
        foreach (PartKinds::ALL as $class) {
            yield $class::kind() => [$class];
        }
    }

    /** @param  class-string<Part>  $class */
    #[DataProvider('kinds')]
    public function test_a_part_keeps_the_contract(string $class): void
    {
        $plan = self::plan();
        $parts = $plan->partsOf($class);
        self::assertNotSame([], $parts);
        foreach ($parts as $part) {
            self::assertSame($part, $plan->part($part->id()));
            self::assertEquals($part, $class::fromShape(Shape::of($part->toArray())));
            self::assertEquals($part, PartKinds::read(Shape::of(PartKinds::write($part))));
            self::assertSame([], $part->changesSince($part));
            self::assertSame([], array_diff($part->needs(), $part->references()), 'what it needs it speaks of');
            $ids = [$part->id() => 'own'];
            foreach ([...$part->references(), ...$part->uploads()] as $i => $id) {
                $ids[$id] = "new-{$i}";
            }
            $other = $part->withIds($ids);
            self::assertSame('own', $other->id());
            self::assertSame($part->name(), $other->name());
            $moved = fn (array $old): array => array_map(fn (string $id): string => $ids[$id], $old);
            self::assertSame($moved($part->references()), $other->references());
            self::assertSame($moved($part->uploads()), $other->uploads());
            foreach (array_keys($ids) as $old) {
                self::assertDoesNotMatchRegularExpression('/[":_]'.preg_quote((string) $old, '/').'["}| ]/',
                    (string) json_encode($other->toArray()), "{$old} is named nowhere any more");
            }
            self::assertEquals($part, $part->withIds([]));
        }
        self::assertGreaterThan(0, $class::most());
    }

    public function test_a_copy_speaks_of_itself_alone(): void
    {
        $plan = self::plan();
        $n = 0;
        $newId = function () use (&$n): string {
            return 'new'.++$n;
        };
        $copy = PlanCopy::of($plan, 'Copy', 'copy', $newId,
            ['pic' => 'pic2', 'still' => 'still2', 'film' => 'film2', 'card' => 'card2', 'inmail' => 'inmail2', 'file-1' => 'file2',
                'sold' => 'sold2',
                'inconfirm' => 'inconfirm2']);
        $written = (string) json_encode($copy->toArray());

        foreach ([$plan->id, ...array_map(fn (Part $p): string => $p->id(), $plan->parts)] as $old) {
            self::assertDoesNotMatchRegularExpression('/\b(page[_:])?'.preg_quote($old, '/').'\b/', $written);
        }
        self::assertEqualsCanonicalizing(['pic2', 'still2', 'film2', 'card2', 'inmail2', 'file2', 'inconfirm2', 'sold2'],
            array_values(array_filter($copy->uploads(), fn (string $u): bool => str_ends_with($u, '2'))));
        self::assertSame(['Copy', 'copy', count($plan->parts)], [$copy->name, $copy->address, count($copy->parts)]);
        self::assertSame($copy->emails[0]->id, EmailBody::rules($copy->emails[1]->body)[0]->references()[0]);
        // The same but for ids: bringing them back gives the first plan again.
        $back = array_combine(array_map(fn (Part $p): string => $p->id(), $copy->parts),
            array_map(fn (Part $p): string => $p->id(), $plan->parts))
            + ['pic2' => 'pic', 'still2' => 'still', 'film2' => 'film', 'card2' => 'card', 'inmail2' => 'inmail', 'file2' => 'file-1',
                'inconfirm2' => 'inconfirm', 'sold2' => 'sold'];
        self::assertEquals($plan->parts, array_map(fn (Part $p): Part => $p->withIds($back), $copy->parts));
    }

    public function test_text_that_looks_like_an_id_stays_text(): void
    {
        $plan = Plans::changed(function (array $p): array {
            $p['pages'][0]['name'] = 'gift';
            $p['forms'][0]['tags'] = ['gift'];
            $p['pages'][1]['document']['sections'][0]['blocks'][0] = ['id' => 'h', 'kind' => 'heading', 'text' => 'gift'];

            return $p;
        });
        $copy = PlanCopy::of($plan, 'Copy', 'copy', fn (): string => uniqid());

        self::assertSame(['gift', ['gift'], 'gift'], [$copy->pages[0]->name, $copy->forms[0]->tags, $copy->pages[1]->document->headline()]);
        self::assertNotSame('gift', $copy->leadMagnets[0]->id);
    }

    /** @return iterable<string, array{string, string}> a list and what is said when its first part is new, gone or changed */
    public static function others(): iterable
    {
        yield 'form' => ['forms', 'form'];
        yield 'sequence' => ['sequences', 'sequence'];
        yield 'email' => ['emails', 'email'];
        yield 'lead magnet' => ['leadMagnets', 'lead magnet'];
        yield 'shared section' => ['sharedSections', 'shared section'];
        yield 'product' => ['products', 'product'];
        yield 'offer' => ['offers', 'offer'];
        yield 'coupon' => ['coupons', 'coupon'];
        yield 'pop-up' => ['popups', 'pop-up'];
    }

    #[DataProvider('others')]
    public function test_what_changed_speaks_of_every_kind(string $list, string $label): void
    {
        $plan = self::plan();
        $without = Plans::changed(fn (array $p): array => [$list => array_slice($p[$list], 1)] + $p, $plan);
        $name = Plans::lists($plan)[$list][0]['name'] ?? Plans::lists($plan)[$list][0]['title'];
        $said = fn (Plan $was, Plan $is): array => array_merge([],
            ...array_map(fn (Changes $c): array => $c->sentences, Changes::between($was, $is)));
        $changed = Plans::changed(function (array $p) use ($list): array {
            $p[$list][0][isset($p[$list][0]['name']) ? 'name' : 'title'] .= ', changed';

            return $p;
        }, $plan);

        self::assertContains("Removed {$label}: “{$name}”.", $said($plan, $without));
        self::assertContains("New {$label}: “{$name}”.", $said($without, $plan));
        self::assertCount(1,
            preg_grep("/^Changed {$label}: “".preg_quote($name, '/').', changed”( \(its name\))?\.$/', $said($plan, $changed)) ?: []);
    }
}
