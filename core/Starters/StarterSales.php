<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

use Lantern\Core\Page\Document;

/** The pages of the starters that sell and deliver. */
final class StarterSales
{
    /**
     * @param  string  $offer  that it makes, by its name
     * @param  string  $until  what it says of its end, with a countdown; '' for none
     * @param  string  $deadline  to which that counts, by its name
     */
    public static function sales(StarterDesk $d, string $offer = 'main', string $until = '', string $deadline = ''): Document
    {
        $until = $until === '' ? [] : [$d->countdown('boxes', $until, $deadline)];
        $price = $d->section('price-card', $d->heading('What it costs'),
            $d->price($offer, $d->title, 'I am in', $d->toBuying(),
                'The whole programme, step by step', 'An email every week that says what to do next', 'Your questions answered, in writing',
                'Yours to keep afterwards'));

        return StarterPages::page(
            $d->section('header-centred', $d->logo()),
            $d->section('opening-dark', $d->eyebrow('The programme'), $d->heading($d->title),
                $d->text('You know by now that it can be done. This is how we do it together: in small steps, in the right order, with '
                    .'somebody beside you who has seen it all before.'),
                ...$until,
                ...[$d->button('See what it costs', 'section:'.$price->id)]),
            $d->section('words-left', $d->heading('You have tried it on your own'),
                $d->text('You have read about it, watched others do it, begun on a Monday and stopped by Thursday. That is not a lack of '
                    .'will. What is missing is an order to go in, and somebody who notices when you are stuck.')),
            $d->section('learn-steps', $d->heading('How we go about it'), $d->points([
                ['lamp', 'Find out where you stand', 'We look at what is there already. It is usually more than you think.'],
                ['path', 'Take one step at a time', 'Each week has one thing to do, and a clear sign by which you know it is done.'],
                ['speech', 'Say where it hurts', 'You write to me, I answer. Nobody has to stay stuck for longer than a day or two.'],
                ['key', 'Make it your own', 'By the end you can carry on without me. That is the point of it.'],
            ])),
            $d->section('fit-cards', $d->heading('Is this for you?'), $d->fit(
                ['you want to get somewhere, not only to know about it', 'you have an hour or two a week',
                    'you would rather do one thing well than ten things halfway'],
                ['you need it done by tomorrow', 'you want somebody to do it for you'])),
            $d->section('host-left', $d->eyebrow('Who is with you'), $d->heading('I am {{host}}'),
                $d->text('I have gone this way myself and have walked it with many others since. I am patient, I am plain, and I will '
                    .'not let you slip away unnoticed.'), $d->picture()),
            $price,
            $d->section('guarantee-seal', $d->seal('14 days', 'money back'), $d->heading('You risk nothing'),
                $d->text('Take a look at everything for fourteen days. If it is not for you, write me one line and you get all of your '
                    .'money back.')),
            $d->section('questions-pairs', $d->heading('Questions people ask'), $d->questions([
                'How much time does it take?' => 'One to two hours a week. If a week goes wrong, nothing is lost: you go on where you '
                    .'were.',
                'When do we begin?' => 'At once. The first week is in your inbox a minute after you have joined.',
                'What if I get stuck?' => 'You write to me. I answer within two working days, usually sooner.',
                'How do I pay?' => 'By card, on the next page. You see the whole sum before you pay, and there is no subscription.',
            ])),
            $d->section('action-band', $d->heading('Shall we begin?'), $d->button('I am in', $d->toBuying())),
            $d->footer(),
        );
    }

    /** As {@see StarterSales::sales()}. */
    public static function checkout(StarterDesk $d, string $offer = 'main', string $until = '', string $deadline = ''): Document
    {
        $until = $until === '' ? [] : [$d->countdown('sentence', $until, $deadline)];

        return StarterPages::page(
            $d->section('header-centred', $d->logo()),
            $d->section('checkout-centred', $d->heading('Your order'),
                ...[$d->text('Two fields and your card. You see the whole sum before you pay.'), ...$until, $d->checkout($offer)]),
            $d->section('guarantee-seal', $d->seal('14 days', 'money back'), $d->heading('You risk nothing'),
                $d->text('If it is not for you, write me one line within fourteen days and you get all of your money back.')),
            $d->footer(),
        );
    }

    public static function upsell(StarterDesk $d): Document
    {
        return StarterPages::page(
            $d->section('opening-centred', $d->eyebrow('Your place is kept. One thing before you go'),
                $d->heading('Would you like me to look at yours?'),
                $d->text("“{$d->titleHtml()}” shows you the way. In a private hour I look at how you are going about it: you show me, I "
                    .'tell you what I see, and you leave with a plan of your own.')),
            $d->section('price-beside', $d->heading('A private hour'),
                $d->text('Just the two of us, at a time that suits you. Offered here, on this page, and not again.'),
                $d->bullets('One hour, recorded, so that you can listen again', 'A written plan for the four weeks after it',
                    'One follow-up question, whenever you have it'),
                $d->price('extra', 'A private hour', 'Yes, add it', 'outcome:bought')),
            $d->section('action-card', $d->heading('Rather not?'),
                $d->text('That is quite all right. Nothing changes for what you have chosen.'),
                $d->button('No thanks, go on without it', 'outcome:declined', 'quiet')),
            $d->footer(),
        );
    }

    public static function downsell(StarterDesk $d): Document
    {
        return StarterPages::page(
            $d->section('opening-centred', $d->eyebrow('Something smaller, perhaps'), $d->heading('The recordings, to keep'),
                $d->text('A private hour is a good deal of money. The recordings hold the exercises that help most people most: listen, '
                    .'stop, try, go on.')),
            $d->section('price-card', $d->price('smaller', 'The recordings', 'Yes, these I would like', 'outcome:bought',
                'All exercises as audio files', 'A sheet with every exercise to print')),
            $d->section('action-card', $d->text('Not that either? Then let us begin with what you have.'),
                $d->button('No thanks, let us begin', 'outcome:declined', 'quiet')),
            $d->footer(),
        );
    }

    public static function delivery(StarterDesk $d): Document
    {
        return StarterPages::page(...[
            $d->section('opening-card', $d->eyebrow('Welcome'), $d->heading('Good to have you here, {{first_name|friend}}.'),
                $d->text("You are in “{$d->titleHtml()}”. Everything you need to begin is on its way to your inbox.")),
            ...($d->offer('main') === '' ? [] : [$d->section('purchases-card', $d->heading('It is yours'),
                $d->text('Here is what you bought. The receipt in your inbox opens it again whenever you like.'), $d->purchases())]),
            $d->section('learn-steps', $d->heading('Your first three steps'), $d->points([
                ['note', 'Open the first email', 'It tells you what to do this week. It takes five minutes to read.'],
                ['calendar', 'Keep two hours free', 'Choose them now. What stands in the calendar gets done.'],
                ['speech', 'Say hello', 'Answer the email and tell me where you stand. I read all of them.'],
            ])),
            $d->footer(),
        ]);
    }
}
