<?php

declare(strict_types=1);

return [
    'once' => '{amount}',
    'payments' => '{count} × {amount}',
    'free' => 'kostenlos',
    'any' => 'so viel du möchtest',
    'from' => 'ab {amount}',
    'note' => [
        'once' => 'Einmalige Zahlung, kein Abo{tax, select, yes {, zuzüglich Steuer} other {}}.',
        'week' => 'Eine Zahlung pro Woche, {total} insgesamt{tax, select, yes {, zuzüglich Steuer} other {}}.',
        'month' => 'Eine Zahlung pro Monat, {total} insgesamt{tax, select, yes {, zuzüglich Steuer} other {}}.',
        'tax' => 'Zuzüglich Steuer.',
    ],
];
