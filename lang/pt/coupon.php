<?php

declare(strict_types=1);

return [
    'percent' => '{percent, number, ::percent} de desconto',
    'amount' => '{amount} de desconto',
    'not_yet' => 'Este código ainda não é válido.',
    'over' => 'Este código expirou.',
    'other' => 'Este código é para outra coisa.',
    'used_up' => 'Este código já foi usado todas as vezes possíveis.',
    'used_by_you' => 'Você já usou este código.',
    'used' => 'Este código já foi usado.',
    'none' => 'Este código não existe. Confira se está sem erros ou deixe o campo vazio.',
];
