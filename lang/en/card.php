<?php

declare(strict_types=1);

// Cards, and why one could not be charged.
return [
    'number' => 'Card number',
    'until' => 'Valid until',
    'code' => 'Security code',
    'fields' => 'Card number · valid until · security code',
    'wrong_until' => 'Month and year, such as 08/31.',
    'wrong_code' => 'Three digits.',
    'failed' => 'The payment did not go through.',
    'failed_uncharged' => 'The payment did not go through. Nothing has been charged.',
    'uncharged' => 'Nothing has been charged.',
    'declined' => 'Your bank declined this card. Please try another one.',
    'no_funds' => 'There is not enough money on this card. Please try another one.',
    'expired' => 'This card has expired. Please try another one.',
    'bank_refused' => 'It was not approved at your bank. Nothing has been charged.',
    'bank_abandoned' => 'It was not approved at your bank in time. Nothing has been charged.',
    'unknown' => 'This card is not known any more. Please fill it in again.',
    // The practice provider, in place of a real one.
    'practice' => 'Practice payments: no money moves. Use a practice card, such as {number}.',
    'practice_only' => 'Practice payments take practice cards alone, such as {number}. Never type a real one.',
    'bank' => [
        'title' => 'Practice bank',
        'nothing' => 'There is nothing to approve here',
        'nothing_words' => 'Please go back to the page you came from.',
        'decided' => 'This is decided already',
        'back' => 'Go back',
        'question' => 'Do you approve this payment?',
        'amount' => '<b>{amount}</b> to {business}',
        'approve' => 'Approve',
        'refuse' => 'Refuse',
        'practice' => 'This stands in for the page of the buyer’s bank. No money moves.',
    ],
];
