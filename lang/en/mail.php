<?php

declare(strict_types=1);

// Emails that the application writes, and the feet of all.
return [
    'hello' => 'Hello {name},',
    // Where the first name is not known.
    'there' => 'there',
    'hello_nobody' => 'Hello,',
    'unsubscribe' => 'Unsubscribe, or choose less',
    'unsubscribe_at' => 'Unsubscribe: {address}',
    'no_subject' => '(no subject)',
    'link' => [
        'subject' => 'Your new download link',
        'here' => 'here is a new link to “{file}”:',
        'here_unnamed' => 'here is a new link to your download:',
        'download' => 'Download it now',
        'not_you' => 'You asked for it on our page. If that was not you, nothing needs doing.',
    ],
    'session' => [
        'room' => 'Your link into the room',
        'calendar' => 'Put it in your calendar',
        'choose' => 'Choose another time',
        'place' => [
            'subject' => 'You have a place: {webinar}',
            'words' => 'A place has become free, and it is yours: “{webinar}”, {moment}.',
            'cannot' => 'You cannot come after all? <link>Choose another time, or give your place to somebody else</link>.',
        ],
        'moved' => [
            'subject' => 'Another time: {webinar}',
            'words' => '“{webinar}” is at another time now: {moment}. Your place is kept.',
            'calendar' => 'Bring your calendar up to date',
            'cannot' => 'That does not suit you? <link>Choose another time</link>.',
        ],
        'cancelled' => [
            'subject' => 'Cancelled: {webinar}',
            'words' => 'I am sorry: “{webinar}” does not take place at the time you had chosen.',
            'calendar' => 'Take it out of your calendar',
        ],
        'again' => [
            'subject' => 'You have a place already: {webinar}',
            'words' => 'Somebody, and we hope it was you, has just registered you for “{webinar}”. You have a place there already: '
                .'{moment}.',
        ],
    ],
    'receipt' => [
        'purchase' => ['subject' => 'Your receipt: {what}', 'words' => 'Thank you. Here is your receipt, number {number}:'],
        'payment' => ['subject' => 'Payment received: {what}', 'words' => 'Your payment has arrived. Receipt number {number}:'],
        'refund' => ['subject' => 'Refund: {what}', 'words' => 'Your money is on its way back to you. Number {number}:'],
        'line' => '{name}: {amount}',
        'line_off' => '{name}: {amount} ({discount} off)',
        'total' => 'Total: {amount}',
        'paid' => 'Paid: {amount}',
        'tax' => '{tax} in it: {amount}',
        'later' => 'Still to come, charged to the same card:',
        'payment_on' => '{day}: {amount}',
        'open' => 'Open what you bought',
        'about' => 'That link is yours alone: it opens everything you have bought, your receipts and the card of a plan, without a '
            .'password. <link>Receipt as a PDF</link>.',
    ],
    'trouble' => [
        'subject' => 'A payment needs you',
        'bank' => 'the next payment for “{what}”, {amount}, waits for you: your bank wants you to approve it.',
        'approve' => 'Approve it at your bank',
        'failed' => 'the next payment for “{what}”, {amount}, did not go through. {why}',
        'again' => 'We try it again on {day}. If another card would be better, fill it in here, and it is paid at once:',
        'given_up' => 'we have tried several times to charge the payment of {amount} for “{what}”, and it did not go through. Until it is '
            .'paid, access is paused.',
        'card' => 'Use another card',
    ],
];
