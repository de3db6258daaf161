<?php

declare(strict_types=1);

return [
    'once' => '{amount}',
    'payments' => '{count} × {amount}',
    'free' => 'gratis',
    'any' => 'lo que tú quieras',
    'from' => 'desde {amount}',
    'note' => [
        'once' => 'Un solo pago, sin suscripción{tax, select, yes {, más impuestos} other {}}.',
        'week' => 'Un pago por semana, {total} en total{tax, select, yes {, más impuestos} other {}}.',
        'month' => 'Un pago al mes, {total} en total{tax, select, yes {, más impuestos} other {}}.',
        'tax' => 'Más impuestos.',
    ],
];
