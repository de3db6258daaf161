<?php

declare(strict_types=1);

return [
    'declined' => 'Votre banque a refusé cette carte. Essayez avec une autre.',
    'no_funds' => 'Il n’y a pas assez d’argent sur cette carte. Essayez avec une autre.',
    'expired' => 'Cette carte a expiré. Essayez avec une autre.',
    'bank_refused' => 'Le paiement n’a pas été approuvé par votre banque. Rien n’a été débité.',
    'bank_abandoned' => 'Le paiement n’a pas été approuvé à temps auprès de votre banque. Rien n’a été débité.',
    'unknown' => 'Cette carte n’est plus connue. Saisissez-la de nouveau.',
    'practice' => 'Paiement d’essai : aucun argent ne circule. Utilisez une carte d’essai, par exemple {number}.',
    'practice_only' => 'Les paiements d’essai n’acceptent que des cartes d’essai, par exemple {number}. Ne saisissez jamais une vraie '
        .'carte.',
    'bank' => [
        'nothing_words' => 'Retournez à la page d’où vous venez.',
        'question' => 'Approuvez-vous ce paiement ?',
    ],
];
