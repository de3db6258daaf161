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
        $price = $d->section('price-card', $d->heading($d->say('What it costs')),
            $d->price($offer, $d->title, $d->say('I am in'), $d->toBuying(),
                $d->say('The whole programme, step by step'), $d->say('An email every week that says what to do next'),
                $d->say('Your questions answered, in writing'),
                $d->say('Yours to keep afterwards')));

        return StarterPages::page(
            $d->section('header-centred', $d->logo()),
            $d->section('opening-dark', $d->eyebrow($d->say('The programme')), $d->heading($d->title),
                $d->text($d->say('You know by now that it can be done. This is how we do it together: in small steps, in the right '
                    .'order, with somebody beside you who has seen it all before.')),
                ...$until,
                ...[$d->button($d->say('See what it costs'), 'section:'.$price->id)]),
            $d->section('words-left', $d->heading($d->say('You have tried it on your own')),
                $d->text($d->say('You have read about it, watched others do it, begun on a Monday and stopped by Thursday. That is not '
                    .'a lack of will. What is missing is an order to go in, and somebody who notices when you are stuck.'))),
            $d->section('learn-steps', $d->heading($d->say('How we go about it')), $d->points([
                ['lamp', $d->say('Find out where you stand'),
                    $d->say('We look at what is there already. It is usually more than you think.')],
                ['path', $d->say('Take one step at a time'),
                    $d->say('Each week has one thing to do, and a clear sign by which you know it is done.')],
                ['speech', $d->say('Say where it hurts'),
                    $d->say('You write to me, I answer. Nobody has to stay stuck for longer than a day or two.')],
                ['key', $d->say('Make it your own'), $d->say('By the end you can carry on without me. That is the point of it.')],
            ])),
            $d->section('fit-cards', $d->heading($d->say('Is this for you?')), $d->fit(
                [$d->say('you want to get somewhere, not only to know about it'), $d->say('you have an hour or two a week'),
                    $d->say('you would rather do one thing well than ten things halfway')],
                [$d->say('you need it done by tomorrow'), $d->say('you want somebody to do it for you')])),
            $d->section('host-left', $d->eyebrow($d->say('Who is with you')), $d->heading($d->say('I am {{host}}')),
                $d->text($d->say('I have gone this way myself and have walked it with many others since. I am patient, I am plain, and '
                    .'I will not let you slip away unnoticed.')), $d->picture()),
            $price,
            $d->section('guarantee-seal', $d->seal($d->say('14 days'), $d->say('money back')), $d->heading($d->say('You risk nothing')),
                $d->text($d->say('Take a look at everything for fourteen days. If it is not for you, write me one line and you get all '
                    .'of your money back.'))),
            $d->section('questions-pairs', $d->heading($d->say('Questions people ask')), $d->questions([
                $d->say('How much time does it take?') => $d->say('One to two hours a week. If a week goes wrong, nothing is lost: you '
                    .'go on where you were.'),
                $d->say('When do we begin?') => $d->say('At once. The first week is in your inbox a minute after you have joined.'),
                $d->say('What if I get stuck?') => $d->say('You write to me. I answer within two working days, usually sooner.'),
                $d->say('How do I pay?') => $d->say('By card, on the next page. You see the whole sum before you pay, and there is no '
                    .'subscription.'),
            ])),
            $d->section('action-band', $d->heading($d->say('Shall we begin?')), $d->button($d->say('I am in'), $d->toBuying())),
            $d->footer(),
        );
    }

    /** As {@see StarterSales::sales()}. */
    public static function checkout(StarterDesk $d, string $offer = 'main', string $until = '', string $deadline = ''): Document
    {
        $until = $until === '' ? [] : [$d->countdown('sentence', $until, $deadline)];

        return StarterPages::page(
            $d->section('header-centred', $d->logo()),
            $d->section('checkout-centred', $d->heading($d->say('Your order')),
                ...[$d->text($d->say('Two fields and your card. You see the whole sum before you pay.')), ...$until, $d->checkout($offer)]),
            $d->section('guarantee-seal', $d->seal($d->say('14 days'), $d->say('money back')), $d->heading($d->say('You risk nothing')),
                $d->text($d->say('If it is not for you, write me one line within fourteen days and you get all of your money back.'))),
            $d->footer(),
        );
    }

    public static function upsell(StarterDesk $d): Document
    {
        return StarterPages::page(
            $d->section('opening-centred', $d->eyebrow($d->say('Your place is kept. One thing before you go')),
                $d->heading($d->say('Would you like me to look at yours?')),
                $d->text($d->say('“:title” shows you the way. In a private hour I look at how you are going about it: you show me, I '
                    .'tell you what I see, and you leave with a plan of your own.', ['title' => $d->titleHtml()]))),
            $d->section('price-beside', $d->heading($d->say('A private hour')),
                $d->text($d->say('Just the two of us, at a time that suits you. Offered here, on this page, and not again.')),
                $d->bullets($d->say('One hour, recorded, so that you can listen again'),
                    $d->say('A written plan for the four weeks after it'),
                    $d->say('One follow-up question, whenever you have it')),
                $d->price('extra', $d->say('A private hour'), $d->say('Yes, add it'), 'outcome:bought')),
            $d->section('action-card', $d->heading($d->say('Rather not?')),
                $d->text($d->say('That is quite all right. Nothing changes for what you have chosen.')),
                $d->button($d->say('No thanks, go on without it'), 'outcome:declined', 'quiet')),
            $d->footer(),
        );
    }

    public static function downsell(StarterDesk $d): Document
    {
        return StarterPages::page(
            $d->section('opening-centred', $d->eyebrow($d->say('Something smaller, perhaps')),
                $d->heading($d->say('The recordings, to keep')),
                $d->text($d->say('A private hour is a good deal of money. The recordings hold the exercises that help most people most: '
                    .'listen, stop, try, go on.'))),
            $d->section('price-card', $d->price('smaller', $d->say('The recordings'), $d->say('Yes, these I would like'), 'outcome:bought',
                $d->say('All exercises as audio files'), $d->say('A sheet with every exercise to print'))),
            $d->section('action-card', $d->text($d->say('Not that either? Then let us begin with what you have.')),
                $d->button($d->say('No thanks, let us begin'), 'outcome:declined', 'quiet')),
            $d->footer(),
        );
    }

    public static function delivery(StarterDesk $d): Document
    {
        return StarterPages::page(...[
            $d->section('opening-card', $d->eyebrow($d->say('Welcome')),
                $d->heading($d->say('Good to have you here, {{first_name|friend}}.')),
                $d->text($d->say('You are in “:title”. Everything you need to begin is on its way to your inbox.',
                    ['title' => $d->titleHtml()]))),
            ...($d->offer('main') === '' ? [] : [$d->section('purchases-card', $d->heading($d->say('It is yours')),
                $d->text($d->say('Here is what you bought. The receipt in your inbox opens it again whenever you like.')),
                $d->purchases())]),
            $d->section('learn-steps', $d->heading($d->say('Your first three steps')), $d->points([
                ['note', $d->say('Open the first email'), $d->say('It tells you what to do this week. It takes five minutes to read.')],
                ['calendar', $d->say('Keep two hours free'), $d->say('Choose them now. What stands in the calendar gets done.')],
                ['speech', $d->say('Say hello'), $d->say('Answer the email and tell me where you stand. I read all of them.')],
            ])),
            $d->footer(),
        ]);
    }
}
