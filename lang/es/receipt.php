<?php

declare(strict_types=1);

return [
    'purchase' => 'Recibo',
    'payment' => 'Recibo de un pago',
    'refund' => 'Reembolso',
    'title' => '{kind} {number}',
    'order' => 'Pedido {number}',
    'tax_number' => 'Número de {tax} {number}',
    'for' => 'Para',
    'what' => 'Concepto',
    'of_it' => 'del cual',
    'amount' => 'Importe',
    'less' => 'menos {amount}',
    'less_code' => 'menos {amount} con el código {code}',
    'total' => 'Total',
    'tax_in_it' => '{tax} incluido',
    'paid' => 'Pagado',
    'paid_card' => 'Pagado con tarjeta terminada en {ends}',
    'paid_back' => 'Reembolsado',
    'paid_back_card' => 'Reembolsado a la tarjeta terminada en {ends}',
    'paid_by' => 'Pagado con {method}',
    'paid_back_by' => 'Reembolsado por {method}',
    'rate' => '{rate, number, ::percent .##}',
    'part' => '{name}: pago {number} de {count}',
    'still' => 'Pendiente',
];
