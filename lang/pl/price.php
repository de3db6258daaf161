<?php

declare(strict_types=1);

return [
    'once' => '{amount}',
    'payments' => '{count} × {amount}',
    'free' => 'bezpłatnie',
    'any' => 'ile chcesz',
    'from' => 'od {amount}',
    'note' => [
        'once' => 'Jedna płatność, bez abonamentu{tax, select, yes {, plus podatek} other {}}.',
        'week' => 'Jedna płatność na tydzień, łącznie {total}{tax, select, yes {, plus podatek} other {}}.',
        'month' => 'Jedna płatność na miesiąc, łącznie {total}{tax, select, yes {, plus podatek} other {}}.',
        'tax' => 'Plus podatek.',
    ],
];
