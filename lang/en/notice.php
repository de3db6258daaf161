<?php

declare(strict_types=1);

// Whole pages that stand alone: what happened, and what to do.
return [
    'not_here' => [
        'title' => 'There is no page at this address',
        'words' => 'Please check the link for a typing mistake, or ask whoever gave it to you.',
    ],
    'closed' => [
        'title' => 'This offer is closed for now',
        'words' => 'Thank you for coming by. Sign-ups are closed at the moment, and nothing was stored.',
    ],
    'not_open_yet' => [
        'title' => 'Not open yet',
        'words' => 'Thank you for coming by. It opens on {moment}.',
    ],
    'preview_over' => [
        'title' => 'This preview has ended',
        'words' => 'Links to a preview work for two weeks. Ask whoever sent it to you for a new one.',
    ],
    'too_many' => [
        'title' => 'One moment, please',
        'words' => 'There were a great many sign-ups from your connection in the last few minutes. Nothing is wrong with yours: please go '
            .'back and press the button again in ten minutes.',
    ],
    'too_many_payments' => [
        'title' => 'One moment, please',
        'words' => 'There were a great many tries to pay from your connection in the last few minutes. Nothing has been charged by this '
            .'one: please go back and press the button again in ten minutes.',
    ],
    'session_gone' => [
        'title' => 'This time cannot be chosen any more',
        'words' => 'It has begun, is over, or was cancelled meanwhile. The time you had before is still yours.',
    ],
    'time_is_up' => [
        'title' => 'The time for this has run out',
        'words' => 'What stood here was open to you for a limited time, and that is over.',
    ],
    'go_on' => [
        'title' => 'Thank you',
        'words' => 'You are in. What you asked for is on its way.',
    ],
    'starts_now' => [
        'title' => 'Your time starts when you go on',
        'words' => 'What this link leads to is open to you for a limited time. It starts when you press the button, and not before, so '
            .'that no program that looks your emails over can start it for you.',
        'button' => 'Go on, and start my time',
    ],
    'paying_now' => [
        'title' => 'One moment: your payment is on its way',
        'words' => 'Your bank has not told us yet. This page looks again by itself every few seconds, and leads you on. You can close it, '
            .'too: the receipt comes to your inbox, and nothing is charged twice.',
    ],
    'not_paid' => ['title' => 'The payment did not go through'],
    'link_not_yours' => [
        'title' => 'This link opens nothing',
        'words' => 'Please open it again from your receipt: the link there is whole.',
    ],
    'access_paused' => [
        'title' => 'Access is paused',
        'words' => 'A payment for this is open. As soon as it is paid, everything opens again. The link in your receipt, and in the email '
            .'about the payment, leads to where you can see to it.',
    ],
    'access_ended' => [
        'title' => 'This is not open to you any more',
        'words' => 'Access ended, such as after a refund. Please write to whoever sold it to you if that is a mistake.',
    ],
    'for_buyers' => [
        'title' => 'This page is for those who bought it',
        'words' => 'Please open it by the link in your receipt. It knows that it is you.',
    ],
    'link_over' => [
        'title' => 'This download link has run out',
        'words' => 'Links to downloads work for a while only. Tell us your email address, and a new one comes to your inbox.',
        'button' => 'Send me a new link',
    ],
    'link_on_its_way' => [
        'title' => 'Please look in your inbox',
        'words' => 'If this address is with us, a new link is on its way and will be there in a minute or two.',
    ],
    'file_gone' => [
        'title' => 'This file is no longer given away',
        'words' => 'The download was taken back by the person who offered it.',
    ],
    'leave' => [
        'title' => 'Unsubscribe?',
        'words' => 'You will get no more emails from {business}.',
        'less' => 'Would less be enough, or shall {business} write to you no more at all?',
        'button' => 'Yes, unsubscribe me',
        'no_news' => 'Only what I asked for, no news',
        'no_series' => 'No more of this series, but news now and then',
        'quiet' => 'Nothing for a month',
    ],
    'left' => [
        'title' => 'You are unsubscribed',
        'words' => 'You will get no more emails from {business}. Thank you for having read them.',
        'mistake' => 'Pressed by mistake?',
        'back' => 'Take it back',
    ],
    'less_often' => [
        'title' => 'You will get less',
        'words' => '{business} sends you no more emails of this kind.',
    ],
    'quiet' => [
        'title' => 'A month of quiet',
        'words' => '{business} writes to you again in thirty days, and not before.',
    ],
    'subscribed_again' => [
        'title' => 'As it was',
        'words' => 'You get the emails from {business} again.',
    ],
    'busy' => [
        'title' => 'One moment, please',
        'form' => 'There is a great deal going on here just now, and what you sent could not be taken yet. It is all still here.',
        'form_again' => 'It goes out again by itself in a few seconds.',
        'form_or' => 'Or press the button.',
        'send' => 'Send it again',
        'words' => 'There is a great deal going on here just now. This page opens by itself in a few seconds.',
        'again' => 'Try again',
        'stored' => 'Nothing can be stored at the moment: the database is busy, or the disk is full. What you typed is kept here and sent '
            .'again by itself.',
    ],
    // Where buttons of these pages lead.
    'to' => [
        'first_page' => 'To the first page',
        'now' => 'See what there is now',
        'other_times' => 'See the other times',
        'again' => 'Try again',
        'on' => 'Go on',
    ],
];
