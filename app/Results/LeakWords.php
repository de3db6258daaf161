<?php

declare(strict_types=1);

namespace App\Results;

use App\Models\Funnel;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Results\Leak;
use Lantern\Core\Results\Rate;
use Lantern\Core\Results\StepKind;
use Lantern\Core\Results\Usual;

/** A leak in sentences, and what could be tried against it: each thing leads to where it is done. */
final readonly class LeakWords
{
    public function __construct(private Funnel $funnel)
    {
    }

    /** @return array<string, mixed> for the Studio */
    public function of(Leak $leak): array
    {
        $step = $leak->step;

        return ['page' => $step->page, 'name' => $step->name, 'kind' => $step->kind->value, 'could' => $step->could, 'did' => $step->did,
            'rate' => $leak->rate->toArray(), 'verb' => $step->kind->verb(), 'reference' => $leak->reference, 'from' => $leak->from,
            'usual' => $leak->usual === null ? null : ['low' => $leak->usual->low, 'high' => $leak->usual->high],
            'past' => $step->past?->toArray(), 'other' => $step->other?->toArray(), 'otherName' => $step->otherName,
            'sentence' => $this->sentence($leak), 'gain' => $this->gain($leak), 'unsure' => $leak->isUnsure(),
            'money' => (int) round($leak->money[1]), 'tries' => self::tries($step->kind)];
    }

    /** How a step is that leaks nothing that is known, or of which too little is. */
    public function quiet(\Lantern\Core\Results\Step $step): string
    {
        $rate = $step->rate();
        if ($step->could < Leak::ENOUGH) {
            return "“{$step->name}”: only {$step->could} came as far, which says nothing yet.";
        }

        return "“{$step->name}”: ".self::ofHundred((float) $rate->rate)." {$step->kind->verb()}".(Usual::of($step->kind) === null
            && $step->past === null && $step->other === null ? '. There is nothing to hold that against yet.'
            : ', as well as anything that is known to be possible.');
    }

    public function sentence(Leak $leak): string
    {
        $step = $leak->step;
        $rate = $leak->rate;
        $where = $step->page === '' || $step->kind === StepKind::Attend ? $step->name : "“{$step->name}”";
        $who = match ($step->kind) {
            StepKind::Attend => 'Of those who registered',
            StepKind::Confirm => 'Of those who left their address',
            StepKind::BuyAtOnce => 'Of strangers on your sales page',
            default => "On {$where}",
        };
        $reference = match ($leak->from) {
            'past' => 'Before, it was '.self::ofHundred($leak->reference).'.',
            'other' => "In “{$step->otherName}” it is ".self::ofHundred($leak->reference).'.',
            default => $leak->usual === null ? ''
                : 'Usual are '.self::number($leak->usual->low).' to '.self::ofHundred($leak->usual->high).'.',
        };

        return "{$who} ".self::ofHundred((float) $rate->rate)." {$step->kind->verb()} (".self::between($rate)."). {$reference}";
    }

    /** What a month would bring more. */
    private function gain(Leak $leak): string
    {
        $people = self::range($leak->people).' more who '.$leak->step->kind->verb();
        $said = [];
        if ($leak->signups[1] >= 0.5 && $leak->step->kind !== StepKind::Join) {
            $said[] = self::range($leak->signups).' more sign-ups';
        }
        if ($leak->money[1] >= 1.0) {
            $said[] = 'about '.$this->amount($leak->money[1]).' ('.$this->amount($leak->money[0]).' to '.$this->amount($leak->money[2]).')';
        }

        return 'Coming up to '.self::ofHundred($leak->reference)." would bring {$people} a month".($said === [] ? '' : ', which makes '
            .implode(' and ', $said)).'.'.($leak->isUnsure() ? ' So few came that it may also be no leak at all.' : '');
    }

    /** @return list<array{words: string, to: string}> `to`: page, form, email, webinar, offers or test */
    private static function tries(StepKind $kind): array
    {
        $test = ['words' => 'Test another version of this page', 'to' => 'test'];

        return match ($kind) {
            StepKind::Join => [['words' => 'Say in the headline what they will have, in ten words or fewer', 'to' => 'page'],
                ['words' => 'Ask for less: every field costs sign-ups', 'to' => 'form'], $test],
            StepKind::Confirm => [['words' => 'Say on the page after the form that an email is waiting, and from whom', 'to' => 'page'],
                ['words' => 'Make the subject of that email one they recognise', 'to' => 'form']],
            StepKind::Attend => [['words' => 'Remind them the day before, an hour before and as it begins', 'to' => 'email'],
                ['words' => 'Offer a session sooner: who waits a week forgets', 'to' => 'webinar'],
                ['words' => 'Say on the confirmation page what they will miss otherwise, and offer the calendar entry', 'to' => 'page']],
            StepKind::BuyAtOnce => [['words' => 'Give strangers something for their address first, and sell by email', 'to' => 'page'],
                ['words' => 'Put the price beside what it is worth, and a guarantee beside the price', 'to' => 'page'], $test],
            StepKind::Pay => [['words' => 'Offer payments beside the whole price', 'to' => 'offers'],
                ['words' => 'Say beside the button what happens after it is pressed, and how to get the money back', 'to' => 'page'],
                $test],
            StepKind::GoOn => [['words' => 'Leave one thing to do on the page, and say it on the button', 'to' => 'page'],
                ['words' => 'Put the button where people stop reading', 'to' => 'page'], $test],
        };
    }

    /** @param  array{float, float, float}  $range */
    private static function range(array $range): string
    {
        return 'about '.number_format(round($range[1])).' ('.number_format(floor($range[0])).' to '.number_format(ceil($range[2])).')';
    }

    private static function number(float $rate): string
    {
        return number_format($rate * 100, $rate < 0.02 && fmod($rate * 100, 1.0) > 0.05 ? 1 : 0);
    }

    private static function ofHundred(float $rate): string
    {
        return self::number($rate).' of a hundred';
    }

    private static function between(Rate $rate): string
    {
        return 'between '.number_format(floor((float) $rate->low * 100)).' and '.number_format(ceil((float) $rate->high * 100));
    }

    private function amount(float $minor): string
    {
        $currency = Currency::of($this->funnel->sellsIn());
        // To whole units: more would pretend to know more.
        $unit = 10 ** $currency->decimals;

        return Money::of((int) (round($minor / $unit) * $unit), $currency)->words($this->funnel->business->locale);
    }
}
