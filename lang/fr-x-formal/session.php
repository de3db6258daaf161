<?php

declare(strict_types=1);

return [
    'choose' => 'Choisissez votre date',
    'none' => 'Il n’y a pas de date en ce moment. Laissez votre adresse, et vous serez prévenu de la prochaine.',
    'any_time' => 'Dès que vous voulez',
    'full' => 'Complet. Choisissez cette date pour être sur la liste d’attente.',
    'known' => 'Nous vous connaissons par nos e-mails : rien à remplir.',
    'gone' => 'Cette date ne peut plus être choisie. Choisissez-en une autre.',
    'at_once' => 'Cela commence dès que vous voulez.',
    'room' => 'Vers votre salle',
    'yours' => 'Le lien vers votre salle n’appartient qu’à vous et marche sur tous vos appareils. Il est aussi dans votre boîte de '
        .'réception.',
    'share' => 'Quelqu’un d’autre devrait venir ? Donnez-lui ce lien :',
    'waiting' => 'Toutes les places sont prises. Vous êtes sur la liste d’attente : dès qu’une se libère, elle est à vous, et vous '
        .'l’apprenez par e-mail.',
    'called_off_choose' => 'Cette séance a été annulée. Vous pouvez choisir une autre date.',
    'cancelled' => 'Votre place est annulée.',
    'cancelled_choose' => 'Votre place est annulée. Vous pouvez choisir une autre date.',
    'over' => 'La séance que vous aviez choisie est passée.',
    'list' => 'Il n’y a pas encore de prochaine date. Vous l’apprenez par e-mail, et pourrez alors choisir.',
    'inbox' => 'Regardez votre boîte de réception : votre date et votre lien vers la salle s’y trouvent.',
    'not_here' => 'Vous n’êtes pas inscrit dans ce navigateur. <link>Inscrivez-vous ici</link>, ou ouvrez votre lien depuis notre '
        .'e-mail.',
    'other' => 'Une autre date vous convient mieux ?',
];
