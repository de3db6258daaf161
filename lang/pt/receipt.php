<?php

declare(strict_types=1);

return [
    'purchase' => 'Recibo',
    'payment' => 'Recibo de um pagamento',
    'refund' => 'Reembolso',
    'title' => '{kind} {number}',
    'order' => 'Pedido {number}',
    'tax_number' => 'Número de {tax} {number}',
    'for' => 'Para',
    'what' => 'O quê',
    'of_it' => 'do qual',
    'amount' => 'Valor',
    'less' => 'menos {amount}',
    'less_code' => 'menos {amount} com o código {code}',
    'total' => 'Total',
    'tax_in_it' => '{tax} incluído',
    'paid' => 'Pago',
    'paid_card' => 'Pago com cartão com final {ends}',
    'paid_back' => 'Reembolsado',
    'paid_back_card' => 'Reembolsado no cartão com final {ends}',
    'paid_by' => 'Pago com {method}',
    'paid_back_by' => 'Reembolsado por {method}',
    'rate' => '{rate, number, ::percent .##}',
    'part' => '{name}: pagamento {number} de {count}',
    'still' => 'Ainda a pagar',
];
