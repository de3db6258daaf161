<?php

declare(strict_types=1);

return [
    'once' => '{amount}',
    'payments' => '{count} × {amount}',
    'free' => 'grátis',
    'any' => 'quanto quiser',
    'from' => 'a partir de {amount}',
    'note' => [
        'once' => 'Um só pagamento, sem assinatura{tax, select, yes {, mais imposto} other {}}.',
        'week' => 'Um pagamento por semana, {total} ao todo{tax, select, yes {, mais imposto} other {}}.',
        'month' => 'Um pagamento por mês, {total} ao todo{tax, select, yes {, mais imposto} other {}}.',
        'tax' => 'Mais imposto.',
    ],
];
