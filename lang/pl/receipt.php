<?php

declare(strict_types=1);

return [
    'purchase' => 'Potwierdzenie',
    'payment' => 'Potwierdzenie płatności',
    'refund' => 'Zwrot',
    'title' => '{kind} {number}',
    'order' => 'Zamówienie {number}',
    'tax_number' => 'Numer {tax} {number}',
    'for' => 'Dla',
    'what' => 'Co',
    'of_it' => 'w tym',
    'amount' => 'Kwota',
    'less' => 'minus {amount}',
    'less_code' => 'minus {amount} z kodem {code}',
    'total' => 'Razem',
    'tax_in_it' => 'W tym {tax}',
    'paid' => 'Zapłacono',
    'paid_card' => 'Zapłacono kartą o końcówce {ends}',
    'paid_back' => 'Zwrócono',
    'paid_back_card' => 'Zwrócono na kartę o końcówce {ends}',
    'paid_by' => 'Zapłacono: {method}',
    'paid_back_by' => 'Zwrócono: {method}',
    'rate' => '{rate, number, ::percent .##}',
    'part' => '{name}: płatność {number} z {count}',
    'still' => 'Do zapłaty później',
];
