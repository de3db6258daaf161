<?php

declare(strict_types=1);

namespace App\Payments\Practice;

/** What a practice card does: one case a card, by the last digits of its number. */
enum Behaviour: string
{
    case Approves = 'approves';
    case Declines = 'declines';
    case NoFunds = 'no-funds';
    case Expired = 'expired';
    case AsksBank = 'asks-bank';
    case LosesAnswer = 'loses-answer';
    case Slow = 'slow';
    case TellsLater = 'tells-later';
    case NoisyCalls = 'noisy-calls';
    case RefusesLater = 'refuses-later';
    case Disputes = 'disputes';
    case BankLater = 'bank-later';

    /** Practice cards begin like no real card does. */
    public const BEGINS = '90000000000000';

    public function number(): string
    {
        return self::BEGINS.str_pad((string) (1 + array_search($this, self::cases(), true)), 2, '0', STR_PAD_LEFT);
    }

    public static function of(string $number): ?self
    {
        foreach (self::cases() as $case) {
            if ($case->number() === $number) {
                return $case;
            }
        }

        return null;
    }

    public function label(): string
    {
        return match ($this) {
            self::Approves => 'is approved',
            self::Declines => 'is declined',
            self::NoFunds => 'has not enough money',
            self::Expired => 'has expired',
            self::AsksBank => 'asks the buyer’s bank first',
            self::LosesAnswer => 'is approved, but the answer is lost',
            self::Slow => 'is approved slowly',
            self::TellsLater => 'is approved, which is told only later',
            self::NoisyCalls => 'is approved, with calls twice, out of order, and one forged',
            self::RefusesLater => 'is approved once, and refused from the second payment on',
            self::Disputes => 'is approved, and disputed some minutes later',
            self::BankLater => 'is approved once, and asks the bank from the second payment on',
        };
    }

    /** Why a charge fails, where this card has it fail; null where it does not. */
    public function trouble(bool $again): ?string
    {
        return match (true) {
            $this === self::Declines => 'declined',
            $this === self::NoFunds => 'no-funds',
            $this === self::Expired => 'expired',
            $this === self::RefusesLater && $again => 'declined',
            default => null,
        };
    }

    public function asksBank(bool $again): bool
    {
        return $this === self::AsksBank || ($this === self::BankLater && $again);
    }
}
