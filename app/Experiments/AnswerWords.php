<?php

declare(strict_types=1);

namespace App\Experiments;

use App\Models\Experiment;
use Closure;
use Lantern\Core\Experiments\Answer;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Experiments\StoppingRule;
use Lantern\Core\Experiments\TestGoal;
use Lantern\Core\Experiments\Verdict;

/** What a split test says, in sentences for somebody who knows no statistics. */
final readonly class AnswerWords
{
    /** @param  Closure(float): string  $amount  money in smallest units, in words */
    public function __construct(private Answer $answer, private Experiment $experiment, private Closure $amount)
    {
    }

    public function sentence(): string
    {
        $a = $this->answer;
        $leader = $this->named($a->leader);
        $chance = self::inAHundred($a->best[$a->leader]);

        return match ($a->verdict) {
            Verdict::Empty => $this->experiment->tested->isSent() ? 'Nobody has got it yet.' : 'Nobody has seen it yet.',
            Verdict::Spoiled => "Nothing can be said: {$this->who()} did not fall to the variants as they should.",
            Verdict::TooEarly => "Too early to say. {$leader} is ahead so far, which often turns around.",
            Verdict::Open => "Nobody can know yet. So far it is {$chance} in a hundred that {$leader} is the best.",
            Verdict::Winner => "{$leader} is better: {$this->value($a->means[$a->leader])} against {$this->value($a->means[$a->second])}, "
                ."{$this->difference()}.",
            Verdict::Same => 'They are as good as each other: what differs is so little that nobody need mind. Take whichever you like.',
            Verdict::Unknown => "Its time is over, and it cannot be told which is better. It is {$chance} in a hundred that {$leader} is.",
        };
    }

    /** What it costs to take the leader and be wrong. */
    public function cost(): string
    {
        $a = $this->answer;
        if (in_array($a->verdict, [Verdict::Empty, Verdict::Spoiled], true)) {
            return '';
        }
        $loss = $a->loss[$a->leader];
        if ($a->goal === TestGoal::Revenue) {
            return "Taking {$this->named($a->leader)} now loses ".($this->amount)($loss * 1000)
                ." per thousand {$this->who()} on average: "
                .'nothing if it is the right choice, more if it is the wrong one.';
        }
        $people = $loss * 1000;
        if ($people < 0.05) {
            return "Taking {$this->named($a->leader)} now loses next to nothing, even if it is the wrong choice.";
        }

        return "Taking {$this->named($a->leader)} now loses ".number_format($people, $people < 10 ? 1 : 0)
            ." of a thousand {$this->who()} who would have {$a->goal->verb()}, on average: none if it is the right choice, "
            .'more if it is the wrong one.';
    }

    /** How much longer, at the pace of the last days. */
    public function waiting(float $pace): string
    {
        $a = $this->answer;
        if (! in_array($a->verdict, [Verdict::TooEarly, Verdict::Open], true)) {
            return '';
        }
        if ($a->needed === null) {
            return 'If it goes on like this, the difference is too small to be told in any time worth waiting.';
        }
        $left = max(0, StoppingRule::LEAST_DAYS - (int) $this->experiment->started_at->diffInDays(now()));
        $days = $pace > 0 ? max($left, (int) ceil($a->needed / $pace)) : null;
        $visitors = number_format($a->needed).' more '.$this->who($a->needed);

        return match (true) {
            $a->needed === 0 => "It takes {$left} more day".($left === 1 ? '' : 's').': a week has all its days.',
            $days === null => "About {$visitors} until it can be said, if it goes on like this.",
            default => "About {$visitors} until it can be said if it goes on like this: ".number_format($days).' day'.($days === 1 ? ''
                : 's')
                .' at today’s pace.',
        };
    }

    public function value(float $mean): string
    {
        if ($this->answer->goal === TestGoal::Revenue) {
            return ($this->amount)($mean).' a '.$this->who(1);
        }

        return $mean < 0.02 ? number_format($mean * 1000, 0).' of a thousand'
            : number_format($mean * 100, $mean < 0.1 ? 1 : 0).' of a hundred';
    }

    /** @param  array{float, float}  $interval */
    public function between(array $interval): string
    {
        if ($this->answer->goal === TestGoal::Revenue) {
            return 'between '.($this->amount)($interval[0]).' and '.($this->amount)($interval[1]);
        }
        $of = $interval[1] < 0.05 ? 1000 : 100;

        return 'between '.number_format($interval[0] * $of, 0).' and '.number_format($interval[1] * $of, 0).' of '
            .($of === 100 ? 'a hundred' : 'a thousand');
    }

    private function difference(): string
    {
        [$low, $high] = $this->answer->ahead;
        if ($this->answer->goal === TestGoal::Revenue) {
            return 'between '.($this->amount)(max(0.0, $low)).' and '.($this->amount)($high).' more a '.$this->who(1);
        }
        $of = $high < 0.05 ? 1000 : 100;

        return 'between '.number_format(max(0.0, $low) * $of, $of === 100 ? 0 : 1).' and '.number_format($high * $of, $of === 100 ? 0 : 1)
            .' more of '.($of === 100 ? 'a hundred' : 'a thousand');
    }

    /** "visitors" */
    private function who(int $many = 2): string
    {
        return $this->experiment->tested->who($many);
    }

    /** "B, “Shorter headline”" */
    private function named(int $index): string
    {
        $letter = $this->answer->arms[$index]->letter;
        $note = $this->experiment->variants[$letter]['note'] ?? '';

        return strtoupper($letter).($letter === SplitTest::ORIGINAL || $note === '' || $note === 'Variant '.strtoupper($letter) ? ''
            : ", “{$note}”,");
    }

    /** Never certain. */
    private static function inAHundred(float $chance): string
    {
        return $chance > 0.99 ? 'more than 99' : (string) round($chance * 100);
    }
}
