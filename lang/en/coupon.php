<?php

declare(strict_types=1);

// Codes that make something cheaper, and why one does not hold.
return [
    'percent' => '{percent, number, ::percent} off',
    'amount' => '{amount} off',
    'not_yet' => 'This code does not hold yet.',
    'over' => 'This code is past its date.',
    'other' => 'This code is for something else.',
    'used_up' => 'This code was used as often as it may be.',
    'used_by_you' => 'You have used this code already.',
    'used' => 'This code was used already.',
    'none' => 'There is no such code. Please look for a typing mistake, or leave it empty.',
];
