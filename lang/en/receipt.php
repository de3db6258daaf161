<?php

declare(strict_types=1);

// Receipts on paper.
return [
    'purchase' => 'Receipt',
    'payment' => 'Receipt for a payment',
    'refund' => 'Refund',
    'title' => '{kind} {number}',
    'order' => 'Order {number}',
    'tax_number' => '{tax} number {number}',
    'for' => 'For',
    'what' => 'What',
    'of_it' => 'of it',
    'amount' => 'Amount',
    'less' => 'less {amount}',
    'less_code' => 'less {amount} with code {code}',
    'total' => 'Total',
    'tax_in_it' => '{tax} in it',
    'paid' => 'Paid',
    'paid_card' => 'Paid by card ending in {ends}',
    'paid_back' => 'Paid back',
    'paid_back_card' => 'Paid back by card ending in {ends}',
    'paid_by' => 'Paid by {method}',
    'paid_back_by' => 'Paid back by {method}',
    'rate' => '{rate, number, ::percent .##}',
    'part' => '{name}: payment {number} of {count}',
    'still' => 'Still to come',
];
