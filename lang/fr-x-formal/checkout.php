<?php

declare(strict_types=1);

return [
    'amount' => 'Votre montant, en {currency}',
    'no_script' => 'Les champs de la carte ont besoin de JavaScript, désactivé dans votre navigateur. Rien de ce que vous avez saisi '
        .'n’est perdu : autorisez-le pour cette page et rechargez-la.',
    'off_own' => 'Votre propre code ({what})',
    'changed' => 'Cette page a changé depuis que vous l’avez ouverte. Relisez-la avant de payer.',
    'price_changed' => 'Le prix a changé depuis que vous avez ouvert cette page : il est maintenant de {price}, et rien n’a été débité. '
        .'Relisez tout avant de payer.',
    'no_amount' => 'Combien voulez-vous payer ?',
    'no_card' => 'Saisissez votre carte. Ses champs ont besoin de JavaScript, désactivé ou bloqué dans votre navigateur.',
    'look_again' => 'Relisez votre commande encore une fois.',
    'old_uncharged' => 'Cette page est restée ouverte longtemps. Rien n’a été débité : appuyez encore une fois sur le bouton.',
    'card_silent' => 'Les champs de la carte n’ont pas répondu. Rien n’a été débité : rechargez la page.',
];
