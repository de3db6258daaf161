<?php

declare(strict_types=1);

// Forms, and what is wrong with what was filled in.
return [
    'optional' => '(optional)',
    'choose' => 'Please choose',
    'empty' => 'Leave this empty',
    'email' => 'Email address',
    'consent' => 'Please tick the box to say that you agree.',
    'tick' => 'Please tick this box.',
    'choose_one' => 'Please choose: {label}.',
    'missing' => 'Please fill in: {label}.',
    'too_long' => '{label} is too long: {most, plural, one {# character} other {# characters}} at most.',
    'phone' => 'A phone number holds digits, and perhaps a plus at the start.',
    'no_choice' => 'Please choose one of the answers: {label}.',
    'no_choices' => 'Please choose from the answers: {label}.',
    'no_day' => '{label} is not a day there is. Write it like 2027-03-31.',
    'no_number' => '{label} needs a number, such as 1234.5.',
    'no_email' => 'Please fill in your email address.',
    'wrong_email' => 'This does not look like an email address. Please check it for a typing mistake.',
    'elsewhere' => 'Welcome. Your words have come along: please press the button once more, and it is done.',
    'old' => 'This page was open for a long time. Your words are still here: please press the button once more.',
    'old_short' => 'This page was open for a long time. Please press the button once more.',
    'old_or_closed' => 'This page was open for a long time, or the form was closed meanwhile. Please load the page again.',
    'fast' => 'That went very fast, as if a program had filled the form in. If you are a person, please press the button once more.',
    'not_open' => 'This form is not open at the moment.',
    'flood' => 'There were a great many sign-ups from your connection in the last few minutes. Please try again in ten minutes.',
    'begin_again' => 'Please begin again: what you filled in before is not known any more.',
    'trouble' => 'That did not go through. Please try again in a moment.',
    'trouble_kept' => 'That did not go through. Please try again in a moment: your words are still here.',
    'close' => 'Close',
];
