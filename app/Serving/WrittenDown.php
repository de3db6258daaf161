<?php

declare(strict_types=1);

namespace App\Serving;

use App\Journey\Earlier;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeInterface;
use DateTimeZone;
use Illuminate\Contracts\Container\Container;
use Illuminate\Support\Facades\DB;

/**
 * Views and sign-ups that were written down before the framework started, taken in the order in which they came: a visitor's views
 * before the form that they filled in, and what they saw after it as the person that they have become by it.
 */
final readonly class WrittenDown implements Earlier
{
    /** In one transaction, so that whoever comes meanwhile waits for a moment at most: a sign-up takes as long as so many views. */
    private const AT_ONCE = 25;

    private const SIGNUP = 5;

    private const WAITING = ["select 'view' as kind, id, at from seen_views where counted = 0",
        "select 'signup' as kind, id, at from received_signups where next_try <= ?"];

    /** The container, not what it makes: what takes one of them takes earlier ones first. */
    public function __construct(private Container $container)
    {
    }

    public function take(string $visitor, DateTimeInterface $until): void
    {
        // A moment that was kept to the millisecond is the whole of it.
        $until = DateTimeImmutable::createFromInterface($until)->setTimezone(new DateTimeZone('UTC'))->format('Y-m-d H:i:s.v').'999';
        $this->all(' and visitor = ? and at <= ?', [$visitor, $until]);
    }

    /** @return int how many were taken */
    public function takeAll(): int
    {
        return $this->all('', []);
    }

    /** @return int likewise of the oldest, so few that it takes a moment */
    public function takeOldest(): int
    {
        return $this->oldest() === null ? 0 : DB::transaction(fn (): int => $this->some('', []));
    }

    /** The same where a sign-up is among it. */
    public function takeSignups(): void
    {
        ReceivedSignups::any() ? $this->takeAll() : null;
    }

    /** When the oldest of what waits came, or is tried again. */
    public function oldest(): ?CarbonImmutable
    {
        $at = DB::scalar('select min(at) from (select min(at) as at from seen_views where counted = 0 union all '
            .'select min(max(at, next_try)) from received_signups)');

        return is_string($at) ? CarbonImmutable::parse($at, 'UTC') : null;
    }

    /** @param  list<string>  $values */
    private function all(string $where, array $values): int
    {
        $all = 0;
        // With nearly everything that anybody does it is asked, and nearly always there is nothing, which takes no lock to see.
        while (DB::select($this->next($where), $this->values($values, 1)) !== []) {
            $all += DB::transaction(fn (): int => $this->some($where, $values));
        }

        return $all;
    }

    /** @param  list<string>  $values */
    private function some(string $where, array $values): int
    {
        $taken = $weight = 0;
        foreach (DB::select($this->next($where), $this->values($values, self::AT_ONCE)) as $next) {
            if ($weight >= self::AT_ONCE) {
                break;
            }
            $isSignup = $next->kind === 'signup';
            $isSignup ? $this->container->make(ReceivedSignups::class)->take((int) $next->id)
                : $this->container->make(SeenViews::class)->count((int) $next->id);
            $weight += $isSignup ? self::SIGNUP : 1;
            $taken++;
        }

        return $taken;
    }

    private function next(string $where): string
    {
        return self::WAITING[0].$where.' union all '.self::WAITING[1].$where.' order by at, kind desc, id limit ?';
    }

    /**
     * @param  list<string>  $values
     * @return list<string|int>
     */
    private function values(array $values, int $most): array
    {
        return [...$values, CarbonImmutable::now()->utc()->format(ReceivedSignup::AT), ...$values, $most];
    }
}
