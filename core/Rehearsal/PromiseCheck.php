<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Promises\Aspect;
use Lantern\Core\Promises\Expected;
use Lantern\Core\Promises\Promise;

/** Plays a promise again, and says what of it does not hold any more. */
final readonly class PromiseCheck
{
    /**
     * @param  list<string>  $broken  what differs, in sentences; none where it holds
     * @param  Life  $life  as it was played
     */
    private function __construct(public Promise $promise, public array $broken, public Life $life, private Stage $stage,
        private ?Plan $before)
    {
    }

    public function holds(): bool
    {
        return $this->broken === [];
    }

    /** @param  Plan|null  $before  as the funnel was, in whose words things that are gone are named */
    public static function of(Stage $stage, Promise $promise, ?Plan $before = null): self
    {
        $life = (new Rehearsal($stage))->play($promise->visitor, $promise->start, $promise->choices);
        $words = new self($promise, [], $life, $stage, $before);
        $broken = [];
        foreach ([Aspect::Emails, Aspect::Deadlines, Aspect::Pages, Aspect::Money, Aspect::Tags] as $aspect) {
            if ($promise->isAbout($aspect)) {
                $of = fn (Expected $e): bool => $e->aspect === $aspect;
                $was = array_values(array_filter($promise->expected, $of));
                $is = array_values(array_filter(Record::of($life), $of));
                array_push($broken, ...match ($aspect) {
                    Aspect::Emails => $words->emails($was, $is),
                    Aspect::Deadlines => $words->deadlines($was, $is),
                    Aspect::Tags => $words->tags($was, $is),
                    default => $words->choices($was, $is),
                });
            }
        }

        return new self($promise, array_values(array_unique($broken)), $life, $stage, $before);
    }

    /**
     * @param  list<Expected>  $was
     * @param  list<Expected>  $is
     * @return list<string>
     */
    private function emails(array $was, array $is): array
    {
        $sentences = [];
        [$was, $is] = [self::counted($was), self::counted($is)];
        foreach ($was as $key => $email) {
            $name = $this->name($email->of);
            $now = $is[$key] ?? null;
            if ($now === null) {
                $sentences[] = "“{$name}” does not come any more. It came {$this->moment($email->at)}.";
            } elseif ($now->at !== $email->at && $this->promise->isAbout(Aspect::Times)) {
                $sentences[] = "“{$name}” comes {$this->moment($now->at)} and not {$this->moment($email->at)}.";
            }
        }
        foreach (array_diff_key($is, $was) as $email) {
            $sentences[] = '“'.$this->name($email->of)."” comes as well, {$this->moment($email->at)}.";
        }

        return $sentences;
    }

    /**
     * @param  list<Expected>  $was
     * @param  list<Expected>  $is
     * @return list<string>
     */
    private function deadlines(array $was, array $is): array
    {
        $sentences = [];
        [$was, $is] = [self::counted($was), self::counted($is)];
        foreach ($was as $key => $deadline) {
            $name = $this->name($deadline->of);
            $now = $is[$key] ?? null;
            $sentences[] = match (true) {
                $now === null => "“{$name}” does not begin for them any more.",
                $now->value !== $deadline->value => "“{$name}” ends {$this->moment($now->value)} and not "
                    ."{$this->moment($deadline->value)}.",
                $now->at !== $deadline->at => "“{$name}” begins {$this->moment($now->at)} and not {$this->moment($deadline->at)}.",
                default => '',
            };
        }
        foreach (array_diff_key($is, $was) as $deadline) {
            $sentences[] = '“'.$this->name($deadline->of)."” begins for them as well, {$this->moment($deadline->at)}.";
        }

        return array_values(array_filter($sentences, fn (string $s): bool => $s !== ''));
    }

    /**
     * @param  list<Expected>  $was
     * @param  list<Expected>  $is
     * @return list<string>
     */
    private function tags(array $was, array $is): array
    {
        [$was, $is] = [array_map(fn (Expected $e): string => $e->of, $was), array_map(fn (Expected $e): string => $e->of, $is)];

        return [...array_map(fn (string $t): string => "They do not get the tag “{$t}” any more.", array_values(array_diff($was, $is))),
            ...array_map(fn (string $t): string => "They get the tag “{$t}” as well.", array_values(array_diff($is, $was)))];
    }

    /**
     * What they see, buy and pay, choice by choice: the first that differs is told, since the rest follows from it.
     *
     * @param  list<Expected>  $was
     * @param  list<Expected>  $is
     * @return list<string>
     */
    private function choices(array $was, array $is): array
    {
        foreach (array_keys($this->promise->choices) as $i) {
            $at = fn (Expected $e): bool => $e->choice === $i + 1;
            [$then, $now] = [array_values(array_filter($was, $at)), array_values(array_filter($is, $at))];
            $same = array_map(self::key(...), $then) === array_map(self::key(...), $now);
            if (! $same) {
                $words = $this->life->chosen[$i]['words'] ?? '';

                return [lcfirst($words) === '' ? '' : "“{$words}”, {$this->moment(Moments::written($this->life->chosen[$i]['at']))}: "
                    .$this->told($now).' It was: '.lcfirst($this->told($then))];
            }
        }

        return [];
    }

    /** @param  list<Expected>  $expected */
    private function told(array $expected): string
    {
        $sentences = array_map(function (Expected $e): string {
            $name = $this->name($e->of);

            return match (HappeningKind::tryFrom($e->kind)) {
                HappeningKind::Page => "they see “{$name}”".($e->value === '' ? '' : " ({$e->value})"),
                HappeningKind::Notice => match ($e->of) {
                    'inbox' => 'they are told to look into their mailbox',
                    'closed' => 'they are told that the funnel is closed',
                    'notOpenYet' => 'they are told that the funnel is not open yet',
                    'forBuyers' => 'they are told that the page is for buyers',
                    'timeIsUp' => 'they are told that the time is up',
                    default => 'they are told that there is no such page',
                },
                HappeningKind::Away => "they leave for {$e->of}",
                HappeningKind::Impossible => 'this cannot be done',
                HappeningKind::Bought => "they buy “{$name}”",
                HappeningKind::NotForSale => "“{$name}” cannot be bought",
                HappeningKind::CardRefused => 'their card is refused',
                default => $name,
            };
        }, $expected);

        return $sentences === [] ? 'Nothing happens.' : ucfirst(implode(', then ', $sentences)).'.';
    }

    private static function key(Expected $e): string
    {
        return "{$e->kind} {$e->of} {$e->value}";
    }

    /**
     * @param  list<Expected>  $expected
     * @return array<string, Expected> by what it is about and the how-manieth time
     */
    private static function counted(array $expected): array
    {
        $counted = [];
        foreach ($expected as $one) {
            for ($time = 1; isset($counted["{$one->kind} {$one->of} {$time}"]); $time++);
            $counted["{$one->kind} {$one->of} {$time}"] = $one;
        }

        return $counted;
    }

    /** What a part is called: in the funnel, in another one that has a say, or as it was before it was removed. */
    private function name(string $id): string
    {
        foreach ([$this->stage->plan, ...$this->stage->others, $this->before] as $plan) {
            $name = $plan?->nameOf($id) ?? '';
            if ($name !== '') {
                return $name;
            }
        }

        return 'something that is gone';
    }

    /** On their clock: "on Friday 16 April at 20:00". */
    private function moment(string $at): string
    {
        $local = (new DateTimeImmutable($at))->setTimezone(new DateTimeZone($this->promise->visitor->zone));

        return $local->format('\o\n l j F \a\t H:i');
    }
}
