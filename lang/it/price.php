<?php

declare(strict_types=1);

return [
    'once' => '{amount}',
    'payments' => '{count} × {amount}',
    'free' => 'gratis',
    'any' => 'quanto vuoi',
    'from' => 'da {amount}',
    'note' => [
        'once' => 'Un solo pagamento, nessun abbonamento{tax, select, yes {, imposta esclusa} other {}}.',
        'week' => 'Un pagamento a settimana, {total} in tutto{tax, select, yes {, imposta esclusa} other {}}.',
        'month' => 'Un pagamento al mese, {total} in tutto{tax, select, yes {, imposta esclusa} other {}}.',
        'tax' => 'Imposta esclusa.',
    ],
];
