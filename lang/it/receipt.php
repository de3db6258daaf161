<?php

declare(strict_types=1);

return [
    'purchase' => 'Ricevuta',
    'payment' => 'Ricevuta di un pagamento',
    'refund' => 'Rimborso',
    'title' => '{kind} {number}',
    'order' => 'Ordine {number}',
    'tax_number' => 'Numero {tax} {number}',
    'for' => 'Per',
    'what' => 'Che cosa',
    'of_it' => 'di cui',
    'amount' => 'Importo',
    'less' => 'meno {amount}',
    'less_code' => 'meno {amount} con il codice {code}',
    'total' => 'Totale',
    'tax_in_it' => 'Di cui {tax}',
    'paid' => 'Pagato',
    'paid_card' => 'Pagato con carta che termina con {ends}',
    'paid_back' => 'Rimborsato',
    'paid_back_card' => 'Rimborsato sulla carta che termina con {ends}',
    'paid_by' => 'Pagato con {method}',
    'paid_back_by' => 'Rimborsato con {method}',
    'rate' => '{rate, number, ::percent .##}',
    'part' => '{name}: pagamento {number} di {count}',
    'still' => 'Ancora da pagare',
];
