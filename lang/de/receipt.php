<?php

declare(strict_types=1);

return [
    'purchase' => 'Beleg',
    'payment' => 'Beleg über eine Zahlung',
    'refund' => 'Erstattung',
    'title' => '{kind} {number}',
    'order' => 'Bestellung {number}',
    'tax_number' => '{tax}-Nummer {number}',
    'for' => 'Für',
    'what' => 'Was',
    'of_it' => 'davon',
    'amount' => 'Betrag',
    'less' => 'abzüglich {amount}',
    'less_code' => 'abzüglich {amount} mit dem Code {code}',
    'total' => 'Summe',
    'tax_in_it' => 'Darin {tax}',
    'paid' => 'Bezahlt',
    'paid_card' => 'Bezahlt mit Karte mit der Endung {ends}',
    'paid_back' => 'Erstattet',
    'paid_back_card' => 'Erstattet auf Karte mit der Endung {ends}',
    'paid_by' => 'Bezahlt mit {method}',
    'paid_back_by' => 'Erstattet über {method}',
    'rate' => '{rate, number, ::percent .##}',
    'part' => '{name}: Zahlung {number} von {count}',
    'still' => 'Noch offen',
];
