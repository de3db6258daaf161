<?php

declare(strict_types=1);

return [
    'once' => '{amount}',
    'payments' => '{count} × {amount}',
    'free' => 'gratis',
    'any' => 'zoveel als je wilt',
    'from' => 'vanaf {amount}',
    'note' => [
        'once' => 'Eén betaling, geen abonnement{tax, select, yes {, exclusief belasting} other {}}.',
        'week' => 'Eén betaling per week, {total} in totaal{tax, select, yes {, exclusief belasting} other {}}.',
        'month' => 'Eén betaling per maand, {total} in totaal{tax, select, yes {, exclusief belasting} other {}}.',
        'tax' => 'Exclusief belasting.',
    ],
];
