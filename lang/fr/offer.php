<?php

declare(strict_types=1);

return [
    'on_sale' => [
        'title' => 'Disponible maintenant',
        'words' => 'Tu peux l’acheter maintenant.',
    ],
    'not_yet' => [
        'title' => 'Pas encore ouvert',
        'words' => 'La vente n’a pas commencé. Rien n’a été débité.',
    ],
    'over' => [
        'title' => 'Cette offre est terminée',
        'words' => 'Elle n’est plus en vente. Rien n’a été débité.',
    ],
    'sold_out' => [
        'title' => 'Toutes les places sont prises',
        'words' => 'Quelqu’un a pris la dernière place avant toi. Rien n’a été débité.',
    ],
    'already_bought' => [
        'title' => 'Tu l’as déjà',
        'words' => 'Cela a déjà été acheté avec cette adresse. Rien n’a été débité. Le lien de ton reçu ouvre tout ce qui est à toi.',
    ],
    'time_ran_out' => [
        'title' => 'Le délai de cette offre est écoulé',
        'words' => 'Elle t’était ouverte pour un temps limité, et c’est terminé, sur chaque appareil et par chaque lien. Rien n’a été '
            .'débité.',
    ],
    'time_not_begun' => [
        'title' => 'Cette offre ne t’est pas encore ouverte',
        'words' => 'Elle s’ouvre à ceux qui y ont été invités. Viens par le lien de ton e-mail. Rien n’a été débité.',
    ],
    'of' => '{name} : {why}',
    'gone' => 'Cette offre n’existe plus. Rien n’a été débité.',
    'other_currency' => 'Cette offre est vendue dans une autre monnaie que ta commande.',
    'no_card' => 'Il n’y a pas de carte à débiter : ta commande était gratuite. Achète-la sur sa propre page.',
    'join' => 'Voir comment participer',
    'buyers_only' => 'C’est réservé à ceux qui viennent d’acheter.',
    'one_click' => 'Débité de ta carte, en un clic.',
    'one_click_card' => 'Débité de ta carte se terminant par {ends}, en un clic.',
    'order_stands' => '{why} Rien n’a été débité pour cette offre, et ta commande reste telle quelle.',
];
