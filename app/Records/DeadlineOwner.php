<?php

declare(strict_types=1);

namespace App\Records;

use App\Support\Setting;
use Lantern\Core\Support\NetworkAddress;

/** Whom a deadline runs for: a person, a browser that is nobody's yet, a network address as a last resort, or everyone. */
final readonly class DeadlineOwner
{
    private function __construct(public string $key, public ?string $person = null, public ?string $visitor = null)
    {
    }

    public static function person(string $id, ?string $visitor = null): self
    {
        return new self("p:{$id}", $id, $visitor);
    }

    public static function browser(string $visitor): self
    {
        return new self("v:{$visitor}", null, $visitor);
    }

    /** Of a deadline that is one moment for everyone. */
    public static function everyone(): self
    {
        return new self('everyone');
    }

    /** The address itself is kept nowhere: only a keyed hash that differs for each deadline. */
    public static function address(string $ip, string $deadline): self
    {
        return new self('a:'.hash_hmac('sha256', "deadline|{$deadline}|".NetworkAddress::block($ip), Setting::text('app.key')));
    }
}
