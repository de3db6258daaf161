<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;

/** People to whom the same happens on the whole: what they became, how many emails they got, and on how busy a day at the most. */
final readonly class KindOfPerson
{
    /**
     * @param  int  $emails  at the most
     * @param  int  $mostADay  emails on one day of theirs
     * @param  int  $ways  how many of all ways end so
     * @param  list<Choice>  $way  one of them, the one with the most emails
     * @param  int  $paid  at the most, in smallest units
     */
    public function __construct(public string $words, public int $emails, public int $mostADay, public int $ways, public array $way,
        public int $paid, public DateTimeImmutable $start)
    {
    }

    /** @param  list<Choice>  $way */
    public static function of(Plan $plan, Life $life, array $way, DateTimeImmutable $start): self
    {
        $days = [];
        foreach ($life->mails as $mail) {
            $day = $mail->at->setTimezone($life->visitor->zone())->format('Y-m-d');
            $days[$day] = ($days[$day] ?? 0) + 1;
        }

        return new self(self::words($plan, $life, $way), count($life->mails), $days === [] ? 0 : max($days), 1, $way, $life->paid, $start);
    }

    public function and(self $other): self
    {
        return new self($this->words, max($this->emails, $other->emails), max($this->mostADay, $other->mostADay),
            $this->ways + $other->ways,
            $other->emails > $this->emails ? $other->way : $this->way, max($this->paid, $other->paid),
            $other->emails > $this->emails ? $other->start : $this->start);
    }

    /** @param  list<Choice>  $way */
    private static function words(Plan $plan, Life $life, array $way): string
    {
        $bought = [];
        foreach ($life->orders as $order) {
            foreach ($order->offers as $offer) {
                $bought[] = '“'.$plan->nameOf($offer).'”';
            }
        }
        $sessions = array_values(array_unique(array_map(fn (Happening $h): string => match ($h->text('outcome')) {
            'attended' => 'came', 'left-early' => 'left early', 'missed' => 'missed it', default => '',
        }, $life->of(HappeningKind::Session))));

        return ucfirst(implode(', ', array_filter([
            $life->of(HappeningKind::Joined) !== [] ? 'joined' : ($life->asked !== [] ? 'never confirmed'
                : (array_filter($way, fn (Choice $c): bool => $c->kind === ChoiceKind::GetTag) !== [] ? 'got a tag' : 'never joined')),
            ...$sessions,
            $bought === [] ? 'bought nothing' : 'bought '.implode(' and ', array_unique($bought)),
        ], fn (string $w): bool => $w !== '')));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['words' => $this->words, 'emails' => $this->emails, 'mostADay' => $this->mostADay, 'ways' => $this->ways,
            'paid' => $this->paid, 'start' => Moments::written($this->start), 'way' => array_map(fn (Choice $c): array => $c->toArray(),
                $this->way)];
    }
}
