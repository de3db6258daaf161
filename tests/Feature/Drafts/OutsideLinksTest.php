<?php

declare(strict_types=1);

namespace Tests\Feature\Drafts;

use App\Drafts\OutsideLinks;
use Lantern\Core\Page\HoldsDocument;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\PartKinds;
use Lantern\Core\Plan\SharedSection;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\PartsTest;

/** Whatever part of somebody's archive has a button, a picture or a menu: where it leads elsewhere is taken out, and can be put back. */
final class OutsideLinksTest extends TestCase
{
    private const ELSEWHERE = 'https://elsewhere.example/x';

    /** @return iterable<string, array{class-string<Part>}> */
    public static function kinds(): iterable
    {
        foreach (PartKinds::ALL as $class) {
            yield $class::kind() => [$class];
        }
    }

    /** @param  class-string<Part>  $class */
    #[DataProvider('kinds')]
    public function test_of_every_kind_of_part(string $class): void
    {
        $led = 0;
        foreach (PartsTest::plan()->partsOf($class) as $part) {
            $written = (string) json_encode($part->toArray());
            // What leads to a page leads elsewhere, and each section has one button more.
            $count = 0;
            $leads = (string) preg_replace_callback('/"url":"page:[^"]*"|"blocks":\[/', function (array $m) use (&$count): string {
                $count++;
                $url = '"url":'.json_encode(self::ELSEWHERE);

                return $m[0] === '"blocks":[' ? $m[0].'{"id":"more'.$count.'","kind":"button","text":"x",'.$url.'},' : $url;
            }, str_replace('"blocks":[]', '"blocks":[{"id":"last","kind":"text","html":"x"}]', $written));
            $part = $class::fromShape(Shape::of((array) json_decode($leads, true)));
            [$clean, $found] = OutsideLinks::out($part);
            self::assertStringNotContainsString('elsewhere.example', (string) json_encode($clean->toArray()));
            self::assertCount($count, array_keys($found, self::ELSEWHERE, true));
            $definition = $clean->toArray();
            foreach ($found as $where => $url) {
                $definition = OutsideLinks::in($definition, $where, $url) + $definition;
            }
            self::assertEquals($part, $class::fromShape(Shape::of($definition)));
            $led += $count;
        }
        self::assertTrue($led > 0 || ! (is_a($class, HoldsDocument::class, true) || $class === SharedSection::class),
            'an example of the kind leads somewhere');
    }
}
