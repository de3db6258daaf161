<?php

declare(strict_types=1);

return [
    'purchase' => 'Bon',
    'payment' => 'Bon van een betaling',
    'refund' => 'Terugbetaling',
    'title' => '{kind} {number}',
    'order' => 'Bestelling {number}',
    'tax_number' => '{tax}-nummer {number}',
    'for' => 'Voor',
    'what' => 'Wat',
    'of_it' => 'waarvan',
    'amount' => 'Bedrag',
    'less' => 'min {amount}',
    'less_code' => 'min {amount} met code {code}',
    'total' => 'Totaal',
    'tax_in_it' => 'Waarvan {tax}',
    'paid' => 'Betaald',
    'paid_card' => 'Betaald met kaart die eindigt op {ends}',
    'paid_back' => 'Terugbetaald',
    'paid_back_card' => 'Terugbetaald op kaart die eindigt op {ends}',
    'paid_by' => 'Betaald met {method}',
    'paid_back_by' => 'Terugbetaald via {method}',
    'rate' => '{rate, number, ::percent .##}',
    'part' => '{name}: betaling {number} van {count}',
    'still' => 'Nog te betalen',
];
