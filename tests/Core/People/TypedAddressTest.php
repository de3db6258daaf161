<?php

declare(strict_types=1);

namespace Tests\Core\People;

use Lantern\Core\People\TypedAddress;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class TypedAddressTest extends TestCase
{
    #[TestWith([true, false, false, false], 'a stranger types what is known')]
    #[TestWith([true, true, false, true], 'by a link in an email')]
    #[TestWith([true, false, true, true], 'the owner tries it out again')]
    #[TestWith([false, false, false, true], 'nobody knew the address')]
    #[TestWith([false, true, true, true], 'all of it')]
    public function test_a_known_address_is_theirs_by_proof_alone(bool $known, bool $proven, bool $try, bool $theirs): void
    {
        self::assertSame($theirs, TypedAddress::isTheirs($known, $proven, $try));
    }
}
