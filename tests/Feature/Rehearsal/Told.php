<?php

declare(strict_types=1);

namespace Tests\Feature\Rehearsal;

use DateTimeImmutable;
use DateTimeInterface;
use DateTimeZone;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Rehearsal\Following;
use Lantern\Core\Rehearsal\Happening;
use Lantern\Core\Rehearsal\HappeningKind;
use Lantern\Core\Rehearsal\Life;
use Lantern\Core\Rehearsal\Mail;

/** What a played way has come to, in the same words whether it was rehearsed or lived. */
final class Told
{
    /**
     * @param  list<string>  $seen  pages in order; notice and away for what is none
     * @param  array<int, array{string, DateTimeInterface}>  $emails  in order
     * @param  array<int, string>  $tags
     * @param  array<string, DateTimeInterface>  $ends  of deadlines
     * @return array<string, mixed>
     */
    public static function of(string $page, array $seen, array $emails, array $tags, array $ends, int $paid, int $receipts,
        string $subscription): array
    {
        sort($tags);
        ksort($ends);
        $minute = fn (DateTimeInterface $at): string => DateTimeImmutable::createFromInterface($at)->setTimezone(new DateTimeZone('UTC'))
            ->format('Y-m-d H:i');
        // Emails of one moment go in the order of their ids, which is that of their planning in one and of their making in the other.
        $sent = array_map(fn (array $e): string => $minute($e[1])." {$e[0]}", array_values($emails));
        sort($sent);

        return ['page' => $page, 'seen' => $seen, 'emails' => $sent, 'tags' => array_values($tags), 'deadlines' => array_map($minute,
            $ends),
            'paid' => $paid, 'receipts' => $receipts, 'subscription' => $subscription];
    }

    /** @return array<string, mixed> */
    public static function life(Life $life): array
    {
        $seen = array_map(fn (Happening $h): string => match ($h->kind) {
            HappeningKind::Page => $h->of,
            HappeningKind::Away => 'away',
            default => 'notice',
        }, array_values(array_filter($life->happened, fn (Happening $h): bool => in_array($h->kind, [HappeningKind::Page,
            HappeningKind::Away, HappeningKind::Notice], true))));
        $emails = array_values(array_filter($life->mails, fn (Mail $m): bool => $m->kind === 'sequence'));

        return self::of($life->page, $seen, array_map(fn (Mail $m): array => [$m->of, $m->at], $emails),
            $life->known ? $life->person->tags() : [],
            $life->known ? array_map(fn (Run $r): DateTimeImmutable => $r->endsAt, Following::known($life)->deadlines()) : [],
            $life->paid, count(array_filter($life->mails, fn (Mail $m): bool => $m->kind === 'receipt')),
            $life->known ? $life->person->subscription->value : '');
    }
}
