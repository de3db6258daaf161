<?php

declare(strict_types=1);

namespace App\People\Proof;

use App\Models\Person;
use App\Support\Seal;
use App\Support\SealPurpose;

/**
 * Somebody of whom it is proven that an address is theirs: they came by a link that only an email to it holds. Whoever types an
 * address is not yet its person. What shows or changes anything of a person who is known already takes this and nothing else;
 * `tests/Core/ProofTest.php` says where one may be made.
 */
final readonly class Proven
{
    private function __construct(public Person $person)
    {
    }

    /**
     * By a link in an email.
     *
     * @param  string  $seal  that the link came with
     * @param  string  $what  a link to this very person seals
     */
    public static function byLink(?Person $person, string $seal, string $what): ?self
    {
        return $person !== null && $person->erased_at === null && Seal::holds(SealPurpose::Payment, $what, $seal, 32) ? new self($person)
            : null;
    }

    /**
     * By the cookie that a link in an email has left in a browser.
     *
     * @param  mixed  $cookie  as it was opened: what nobody has sealed is nothing
     */
    public static function byCookie(mixed $cookie, int $business): ?self
    {
        $person = is_string($cookie) ? Person::query()->where('business_id', $business)->whereNull('erased_at')->find($cookie) : null;

        return $person === null ? null : new self($person);
    }

    /** Is it this address that is theirs? */
    public function has(string $emailKey): bool
    {
        return $this->person->email_key === $emailKey;
    }
}
