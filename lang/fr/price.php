<?php

declare(strict_types=1);

return [
    'once' => '{amount}',
    'payments' => '{count} × {amount}',
    'free' => 'gratuit',
    'any' => 'le montant de ton choix',
    'from' => 'à partir de {amount}',
    'note' => [
        'once' => 'Un seul paiement, sans abonnement{tax, select, yes {, taxe en sus} other {}}.',
        'week' => 'Un paiement par semaine, {total} en tout{tax, select, yes {, taxe en sus} other {}}.',
        'month' => 'Un paiement par mois, {total} en tout{tax, select, yes {, taxe en sus} other {}}.',
        'tax' => 'Taxe en sus.',
    ],
];
