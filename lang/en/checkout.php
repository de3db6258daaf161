<?php

declare(strict_types=1);

// The checkout, and what is wrong with one that was filled in.
return [
    'amount' => 'Your amount, in {currency}',
    'name' => 'Name on the receipt',
    'code_question' => 'I have a code',
    'code' => 'Code',
    'use' => 'Use it',
    'update' => 'Update the sum',
    'no_script' => 'The card fields need JavaScript, which your browser has turned off. Nothing you typed is lost: allow it for this page '
        .'and load it again.',
    'add' => 'Yes, add {product}.',
    'pay' => 'Pay now',
    'off' => 'Code {code} ({what})',
    'off_own' => 'Code of your own ({what})',
    'tax' => 'Tax ({rate, number, ::percent .##})',
    'tax_included' => 'Tax included ({rate, number, ::percent .##})',
    'total' => 'Total',
    'due' => 'To pay now',
    'too_long' => 'This is too long: {most, plural, one {# character} other {# characters}} at most.',
    'no_email' => 'Where shall the receipt go?',
    'changed' => 'This page has changed since you opened it. Please look at it once more before you pay.',
    'price_changed' => 'The price has changed since you opened this page: it is {price} now, and nothing has been charged. Please look at '
        .'it once more before you pay.',
    'no_amount' => 'How much would you like to pay?',
    'least' => 'It begins at {amount}.',
    'no_such_amount' => 'An amount is written in digits, such as {example}.',
    'decimals' => 'An amount in {currency} has {decimals, plural, =0 {no decimals} one {at most # decimal} other {at most # decimals}}, '
        .'such as {example}.',
    'too_much' => 'This amount is too large.',
    'no_card' => 'Please fill in your card. Its fields need JavaScript, which your browser has turned off or blocked.',
    'look_again' => 'Please look at your order once more.',
    'old_uncharged' => 'This page was open for a long time. Nothing has been charged: please press the button once more.',
    'card_silent' => 'The card fields did not answer. Nothing has been charged: please load the page again.',
    'sum_later' => 'The sum could not be worked out just now. It stands on the next page before anything is charged.',
];
