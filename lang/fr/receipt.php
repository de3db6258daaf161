<?php

declare(strict_types=1);

return [
    'purchase' => 'Reçu',
    'payment' => 'Reçu d’un paiement',
    'refund' => 'Remboursement',
    'title' => '{kind} {number}',
    'order' => 'Commande {number}',
    'tax_number' => 'Numéro de {tax} {number}',
    'for' => 'Pour',
    'what' => 'Quoi',
    'of_it' => 'dont',
    'amount' => 'Montant',
    'less' => 'moins {amount}',
    'less_code' => 'moins {amount} avec le code {code}',
    'total' => 'Total',
    'tax_in_it' => 'Dont {tax}',
    'paid' => 'Payé',
    'paid_card' => 'Payé par carte se terminant par {ends}',
    'paid_back' => 'Remboursé',
    'paid_back_card' => 'Remboursé sur la carte se terminant par {ends}',
    'paid_by' => 'Payé par {method}',
    'paid_back_by' => 'Remboursé par {method}',
    'rate' => '{rate, number, ::percent .##}',
    'part' => '{name} : paiement {number} sur {count}',
    'still' => 'À venir',
];
