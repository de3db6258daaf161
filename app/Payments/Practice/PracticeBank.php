<?php

declare(strict_types=1);

namespace App\Payments\Practice;

use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Database\Connection;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use LogicException;
use stdClass;

/**
 * The far side of practice payments: cards, charges, refunds and calls in a ledger of its own. It knows nothing of orders;
 * what it is asked for it does once for each key.
 */
final class PracticeBank
{
    public static function ledger(): Connection
    {
        return DB::connection('practice');
    }

    private static function table(string $name): Builder
    {
        return self::ledger()->table($name);
    }

    /** Keeps a card and gives a token for it. The number itself is not kept. */
    public function keepCard(Behaviour $card): string
    {
        $token = Str::lower(Str::random(32));
        self::table('cards')->insert(['token' => $token, 'ends' => substr($card->number(), -4), 'behaviour' => $card->value,
            'made_at' => Instant::sql(CarbonImmutable::now())]);

        return $token;
    }

    public function card(string $token): ?stdClass
    {
        return self::table('cards')->where('token', $token)->first();
    }

    /**
     * Charges a card, once for each key.
     *
     * @param  bool  $again  is its owner not there?
     */
    public function charge(
        string $key,
        int $amount,
        string $currency,
        string $token,
        string $about,
        string $back,
        bool $keep,
        bool $again,
    ): stdClass {
        return self::ledger()->transaction(function () use ($key, $amount, $currency, $token, $about, $back, $keep, $again): stdClass {
            $found = $this->find($key);
            if ($found !== null) {
                return $found;
            }
            $now = CarbonImmutable::now();
            $card = Behaviour::tryFrom((string) ($this->card($token)->behaviour ?? ''));
            $trouble = $card === null ? 'unknown' : $card->trouble($again);
            $state = match (true) {
                $trouble !== null => 'failed',
                $card?->asksBank($again) => 'bank',
                $card === Behaviour::TellsLater => 'pending',
                default => 'paid',
            };
            self::table('charges')->insert(['key' => $key, 'token' => $token, 'about' => mb_substr($about, 0, 120), 'amount' => $amount,
                'currency' => $currency, 'kept' => $keep, 'state' => $state, 'trouble' => $trouble, 'back' => $back,
                'seal' => Str::lower(Str::random(32)), 'made_at' => Instant::sql($now),
                'through_at' => $state === 'pending'
                    ? Instant::sql($now->addSeconds((int) config('lantern.practice.later_seconds'))) : null,
                'dispute_at' => $card === Behaviour::Disputes && $state === 'paid'
                    ? Instant::sql($now->addMinutes((int) config('lantern.practice.dispute_minutes'))) : null]);
            if ($card === Behaviour::NoisyCalls) {
                $this->callLater($key, 'paid', $now, twice: true);
                $this->callLater($key, 'started', $now);
                $this->callLater($key, 'refunded', $now, forged: true);
            } elseif ($state === 'paid') {
                $this->callLater($key, 'paid', $now);
            }

            return $this->find($key) ?? throw new LogicException('A charge that was written is there.');
        });
    }

    public function find(string $key): ?stdClass
    {
        $this->letTimePass($key);

        return self::table('charges')->where('key', $key)->first();
    }

    /** The buyer decides at their bank. A decision holds; a second one changes nothing. */
    public function decideAtBank(string $key, bool $approves): void
    {
        $changed = self::table('charges')->where('key', $key)->where('state', 'bank')
            ->update($approves ? ['state' => 'paid'] : ['state' => 'failed', 'trouble' => 'bank-refused']);
        if ($changed === 1) {
            $this->callLater($key, $approves ? 'paid' : 'failed', CarbonImmutable::now());
        }
    }

    /**
     * Pays back, once for each key.
     *
     * @return stdClass|null null when more is asked for than is left
     */
    public function refund(string $key, string $charge, int $amount): ?stdClass
    {
        return self::ledger()->transaction(function () use ($key, $charge, $amount): ?stdClass {
            $found = $this->findRefund($key);
            if ($found !== null) {
                return $found;
            }
            $of = self::table('charges')->where('key', $charge)->where('state', 'paid')->first();
            if ($of === null || $of->disputed || $amount < 1 || $of->refunded + $amount > $of->amount) {
                return null;
            }
            self::table('charges')->where('id', $of->id)->increment('refunded', $amount);
            self::table('charge_refunds')->insert(['key' => $key, 'charge_id' => $of->id, 'amount' => $amount,
                'made_at' => Instant::sql(CarbonImmutable::now())]);

            return $this->findRefund($key);
        });
    }

    public function findRefund(string $key): ?stdClass
    {
        return self::table('charge_refunds')->where('key', $key)->first();
    }

    /** The cardholder disputes a charge, or the dispute ends in the seller's favour. */
    public function dispute(string $key, bool $begins): bool
    {
        $changed = self::table('charges')->where('key', $key)->where('state', 'paid')->where('disputed', ! $begins)
            ->update(['disputed' => $begins, 'dispute_at' => null]);
        if ($changed === 1) {
            $this->callLater($key, $begins ? 'disputed' : 'dispute-ended', CarbonImmutable::now());
        }

        return $changed === 1;
    }

    /** When something happens by itself next. */
    public function next(): ?CarbonImmutable
    {
        $first = fn (string $column, string $state): ?CarbonImmutable => Instant::carbon(self::table('charges')->where('state', $state)
            ->min($column));

        return Instant::first($first('through_at', 'pending'), Instant::carbon(self::table('charges')->where('disputed', false)
            ->whereNotNull('dispute_at')->min('dispute_at')), $first('made_at', 'bank')
            ?->addMinutes((int) config('lantern.checkout.give_up_minutes')));
    }

    /** What happens by itself: payments that are told later, disputes, and challenges that nobody answers. */
    public function letTimePass(?string $key = null): void
    {
        $now = CarbonImmutable::now();
        $of = fn (): Builder => self::table('charges')->when($key !== null, fn (Builder $q) => $q->where('key', $key));
        foreach ($of()->where('state', 'pending')->where('through_at', '<=', Instant::sql($now))->pluck('key') as $through) {
            if (self::table('charges')->where('key', $through)->where('state', 'pending')->update(['state' => 'paid']) === 1) {
                $this->callLater((string) $through, 'paid', $now);
            }
        }
        foreach ($of()->where('disputed', false)->where('dispute_at', '<=', Instant::sql($now))->pluck('key') as $disputed) {
            $this->dispute((string) $disputed, true);
        }
        $of()->where('state', 'bank')
            ->where('made_at', '<=', Instant::sql($now->subMinutes((int) config('lantern.checkout.give_up_minutes'))))
            ->update(['state' => 'failed', 'trouble' => 'bank-abandoned']);
    }

    public function callLater(string $key, string $type, CarbonImmutable $now, bool $twice = false, bool $forged = false): void
    {
        $call = ['event' => 'call_'.Str::lower(Str::random(24)), 'key' => $key, 'type' => $type, 'forged' => $forged,
            'due_at' => Instant::sql($now)];
        self::table('calls')->insert($twice ? [$call, $call] : [$call]);
    }
}
