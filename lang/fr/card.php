<?php

declare(strict_types=1);

return [
    'number' => 'Numéro de carte',
    'until' => 'Valable jusqu’au',
    'code' => 'Code de sécurité',
    'fields' => 'Numéro de carte · date de validité · code de sécurité',
    'wrong_until' => 'Mois et année, par exemple 08/31.',
    'wrong_code' => 'Trois chiffres.',
    'failed' => 'Le paiement n’a pas abouti.',
    'failed_uncharged' => 'Le paiement n’a pas abouti. Rien n’a été débité.',
    'uncharged' => 'Rien n’a été débité.',
    'declined' => 'Ta banque a refusé cette carte. Essaie avec une autre.',
    'no_funds' => 'Il n’y a pas assez d’argent sur cette carte. Essaie avec une autre.',
    'expired' => 'Cette carte a expiré. Essaie avec une autre.',
    'bank_refused' => 'Le paiement n’a pas été approuvé par ta banque. Rien n’a été débité.',
    'bank_abandoned' => 'Le paiement n’a pas été approuvé à temps auprès de ta banque. Rien n’a été débité.',
    'unknown' => 'Cette carte n’est plus connue. Saisis-la de nouveau.',
    'practice' => 'Paiement d’essai : aucun argent ne circule. Utilise une carte d’essai, par exemple {number}.',
    'practice_only' => 'Les paiements d’essai n’acceptent que des cartes d’essai, par exemple {number}. Ne saisis jamais une vraie '
        .'carte.',
    'bank' => [
        'title' => 'Banque d’essai',
        'nothing' => 'Il n’y a rien à approuver ici',
        'nothing_words' => 'Retourne à la page d’où tu viens.',
        'decided' => 'C’est déjà décidé',
        'back' => 'Retour',
        'question' => 'Approuves-tu ce paiement ?',
        'amount' => '<b>{amount}</b> à {business}',
        'approve' => 'Approuver',
        'refuse' => 'Refuser',
        'practice' => 'Ceci tient lieu de page de la banque. Aucun argent ne circule.',
    ],
];
