<?php

declare(strict_types=1);

return [
    'amount' => 'Ton montant, en {currency}',
    'name' => 'Nom sur le reçu',
    'code_question' => 'J’ai un code',
    'code' => 'Code',
    'use' => 'Appliquer',
    'update' => 'Mettre à jour le total',
    'no_script' => 'Les champs de la carte ont besoin de JavaScript, désactivé dans ton navigateur. Rien de ce que tu as saisi n’est '
        .'perdu : autorise-le pour cette page et recharge-la.',
    'add' => 'Oui, ajouter {product}.',
    'pay' => 'Payer',
    'off' => 'Code {code} ({what})',
    'off_own' => 'Ton propre code ({what})',
    'tax' => 'Taxe ({rate, number, ::percent .##})',
    'tax_included' => 'Taxe comprise ({rate, number, ::percent .##})',
    'total' => 'Total',
    'due' => 'À payer maintenant',
    'too_long' => 'C’est trop long : {most, plural, one {# caractère} many {# caractères} other {# caractères}} au maximum.',
    'no_email' => 'Où envoyer le reçu ?',
    'changed' => 'Cette page a changé depuis que tu l’as ouverte. Relis-la avant de payer.',
    'price_changed' => 'Le prix a changé depuis que tu as ouvert cette page : il est maintenant de {price}, et rien n’a été débité. '
        .'Relis tout avant de payer.',
    'no_amount' => 'Combien veux-tu payer ?',
    'least' => 'Le montant minimum est de {amount}.',
    'no_such_amount' => 'Un montant s’écrit en chiffres, par exemple {example}.',
    'decimals' => 'Un montant en {currency} a {decimals, plural, =0 {zéro décimale} one {# décimale au maximum} many {# décimales au '
        .'maximum} other {# décimales au maximum}}, par exemple {example}.',
    'too_much' => 'Ce montant est trop élevé.',
    'no_card' => 'Saisis ta carte. Ses champs ont besoin de JavaScript, désactivé ou bloqué dans ton navigateur.',
    'look_again' => 'Relis ta commande encore une fois.',
    'old_uncharged' => 'Cette page est restée ouverte longtemps. Rien n’a été débité : appuie encore une fois sur le bouton.',
    'card_silent' => 'Les champs de la carte n’ont pas répondu. Rien n’a été débité : recharge la page.',
    'sum_later' => 'Le total n’a pas pu être calculé. Il figure sur la page suivante, avant tout débit.',
];
