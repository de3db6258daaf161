<?php

declare(strict_types=1);

namespace Tests\Core;

use PhpParser\Node;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Finder\Finder;

/**
 * What is decided by the clock is decided in the core: no class of the application compares a moment with the present one. It reads the
 * clock and passes it on.
 */
final class ClockTest extends TestCase
{
    /** What compares all the same, and why that decides nothing for anybody. */
    private const EXCEPT = [
        'Deadlines/MovingRuns.php' => 'how many people a change would concern is counted for the owner, before anything is decided',
        'Front/FrontSettings.php' => 'files of settings that nobody asks for any more are deleted',
        'People/Import/Importing.php' => 'files that were uploaded and never read are deleted',
    ];

    private const METHODS = ['isPast', 'isFuture', 'lt', 'gt', 'lte', 'gte', 'lessThan', 'greaterThan', 'lessThanOrEqualTo',
        'greaterThanOrEqualTo', 'isBefore', 'isAfter', 'isToday'];

    public function test_no_class_of_the_application_compares_a_moment_with_now(): void
    {
        $found = [];
        foreach (Finder::create()->files()->in(dirname(__DIR__, 2).'/app')->name('*.php')->sortByName() as $file) {
            $lines = self::comparisons($file->getContents());
            if ($lines !== []) {
                $found[$file->getRelativePathname()] = $lines;
            }
        }

        self::assertSame(array_keys(self::EXCEPT), array_keys($found), (string) json_encode($found));
    }

    /** @return iterable<string, array{int, string}> */
    public static function codes(): iterable
    {
        yield 'a variable' => [1, '$a->ends_at <= $now;'];
        yield 'the other way round' => [1, '$now->subMinutes(5) > $a;'];
        yield 'read from the clock' => [1, '$a < CarbonImmutable::now();'];
        yield 'in a call' => [1, '$a < max($b, $now->subDay());'];
        yield 'a method' => [1, '$a->isPast();'];
        yield 'a spaceship' => [1, '$a <=> $now;'];
        yield 'another variable' => [0, '$a <= $b;'];
        yield 'passed on' => [0, 'Core::decide($a, $now);'];
        yield 'a query that loads' => [0, "\$q->where('due_at', '<=', Instant::sql(\$now));"];
    }

    #[DataProvider('codes')]
    public function test_what_is_found(int $expected, string $code): void
    {
        self::assertCount($expected, self::comparisons("<?php {$code}"));
    }

    /** @return list<int> lines */
    private static function comparisons(string $code): array
    {
        $finder = new NodeFinder;
        $isNow = fn (Node $n): bool => ($n instanceof Node\Expr\Variable && in_array($n->name, ['now', 'today'], true))
            || (($n instanceof Node\Expr\StaticCall || $n instanceof Node\Expr\FuncCall) && in_array(self::called($n), ['now', 'time'],
                true));
        $compares = fn (Node $n): bool => match (true) {
            $n instanceof Node\Expr\BinaryOp\Smaller, $n instanceof Node\Expr\BinaryOp\SmallerOrEqual,
            $n instanceof Node\Expr\BinaryOp\Greater, $n instanceof Node\Expr\BinaryOp\GreaterOrEqual,
            $n instanceof Node\Expr\BinaryOp\Spaceship => $finder->findFirst([$n->left, $n->right], $isNow) !== null
                && $finder->findFirst([$n->left, $n->right], fn (Node $m): bool => self::isCount($m)) === null,
            $n instanceof Node\Expr\MethodCall, $n instanceof Node\Expr\NullsafeMethodCall => in_array(self::called($n), self::METHODS,
                true),
            default => false,
        };

        return array_values(array_map(fn (Node $n): int => $n->getStartLine(),
            $finder->find((new ParserFactory)->createForHostVersion()->parse($code) ?? [], $compares)));
    }

    /** A number that was looked up by the moment, such as how many are left, is no comparison of moments. */
    private static function isCount(Node $node): bool
    {
        return ($node instanceof Node\Expr\MethodCall && in_array(self::called($node), ['count', 'exists', 'update', 'getOffset'], true))
            || ($node instanceof Node\Expr\StaticCall && in_array(self::called($node), ['quotaLeft', 'others', 'here'], true));
    }

    private static function called(Node $node): string
    {
        return isset($node->name) && ($node->name instanceof Node\Identifier || $node->name instanceof Node\Name)
            ? $node->name->toString() : '';
    }
}
