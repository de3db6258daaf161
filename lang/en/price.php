<?php

declare(strict_types=1);

// Prices, as they stand on pages and in emails.
return [
    'once' => '{amount}',
    'payments' => '{count} × {amount}',
    'free' => 'free',
    'any' => 'as much as you like',
    'from' => 'from {amount}',
    // Below the price. “tax” is yes where tax comes on top.
    'note' => [
        'once' => 'One payment, no subscription{tax, select, yes {, plus tax} other {}}.',
        'week' => 'One payment a week, {total} in all{tax, select, yes {, plus tax} other {}}.',
        'month' => 'One payment a month, {total} in all{tax, select, yes {, plus tax} other {}}.',
        'tax' => 'Plus tax.',
    ],
];
