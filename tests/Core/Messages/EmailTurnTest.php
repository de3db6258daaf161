<?php

declare(strict_types=1);

namespace Tests\Core\Messages;

use Lantern\Core\Messages\EmailTurn;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Which turn of somebody's an email is. */
final class EmailTurnTest extends TestCase
{
    /** @return iterable<string, array{string, EmailTurn}> as keys have been written since the first release */
    public static function keys(): iterable
    {
        yield 'the first' => ['sequence:e:p', new EmailTurn];
        yield 'the sequence once more' => ['sequence:e:p:2', new EmailTurn(2)];
        yield 'the deadline once more' => ['sequence:e:p:d3', new EmailTurn(1, 3)];
        yield 'of a registration' => ['sequence:e:p:sr.0', new EmailTurn(1, 1, 'r')];
        yield 'of one that was changed, in a second run' => ['sequence:e:p:2:d3:sr.4', new EmailTurn(2, 3, 'r', 4)];
    }

    #[DataProvider('keys')]
    public function test_its_key(string $key, EmailTurn $turn): void
    {
        self::assertSame($key, $turn->key('e', 'p'));
    }

    public function test_whether_it_is_told_from_a_registration_as_that_is_now(): void
    {
        $turn = new EmailTurn(1, 1, 'r', 2);
        self::assertSame([true, false, false, false], [$turn->isOf('r', 2), $turn->isOf('r', 3), $turn->isOf('s', 2),
            $turn->isOf(null, 2)]);
        self::assertSame([true, true, false], [(new EmailTurn)->isOf(null, 0), (new EmailTurn)->isOf(null, 7), (new EmailTurn)->isOf('r',
            0)]);
    }
}
