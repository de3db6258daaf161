<?php

declare(strict_types=1);

return [
    'on_sale' => [
        'words' => 'Vous pouvez l’acheter maintenant.',
    ],
    'sold_out' => [
        'words' => 'Quelqu’un a pris la dernière place avant vous. Rien n’a été débité.',
    ],
    'already_bought' => [
        'title' => 'Vous l’avez déjà',
        'words' => 'Cela a déjà été acheté avec cette adresse. Rien n’a été débité. Le lien de votre reçu ouvre tout ce qui est à vous.',
    ],
    'time_ran_out' => [
        'words' => 'Elle vous était ouverte pour un temps limité, et c’est terminé, sur chaque appareil et par chaque lien. Rien n’a '
            .'été débité.',
    ],
    'time_not_begun' => [
        'title' => 'Cette offre ne vous est pas encore ouverte',
        'words' => 'Elle s’ouvre à ceux qui y ont été invités. Venez par le lien de votre e-mail. Rien n’a été débité.',
    ],
    'other_currency' => 'Cette offre est vendue dans une autre monnaie que votre commande.',
    'no_card' => 'Il n’y a pas de carte à débiter : votre commande était gratuite. Achetez-la sur sa propre page.',
    'one_click' => 'Débité de votre carte, en un clic.',
    'one_click_card' => 'Débité de votre carte se terminant par {ends}, en un clic.',
    'order_stands' => '{why} Rien n’a été débité pour cette offre, et votre commande reste telle quelle.',
];
