<?php

declare(strict_types=1);

return [
    'link' => [
        'subject' => 'Votre nouveau lien de téléchargement',
        'here_unnamed' => 'voici un nouveau lien vers votre téléchargement :',
        'not_you' => 'Vous l’avez demandé sur notre page. Si ce n’était pas vous, il n’y a rien à faire.',
    ],
    'session' => [
        'room' => 'Votre lien vers la salle',
        'place' => [
            'subject' => 'Vous avez une place : {webinar}',
            'words' => 'Une place s’est libérée, et elle est à vous : « {webinar} », {moment}.',
            'cannot' => 'Vous ne pouvez finalement pas venir ? <link>Choisissez une autre date, ou laissez votre place à quelqu’un '
                .'d’autre</link>.',
        ],
        'moved' => [
            'words' => '« {webinar} » a lieu à une autre date : {moment}. Votre place est gardée.',
            'cannot' => 'Cela ne vous convient pas ? <link>Choisissez une autre date</link>.',
        ],
        'cancelled' => [
            'words' => 'Nous sommes désolés : « {webinar} » n’a pas lieu à la date que vous aviez choisie.',
        ],
        'again' => [
            'subject' => 'Vous avez déjà une place : {webinar}',
            'words' => 'Quelqu’un, vous nous l’espérons, vient de vous inscrire à « {webinar} ». Vous y avez déjà une place : {moment}.',
        ],
    ],
    'receipt' => [
        'purchase' => [
            'subject' => 'Votre reçu : {what}',
            'words' => 'Merci. Voici votre reçu, numéro {number} :',
        ],
        'payment' => [
            'words' => 'Votre paiement est arrivé. Reçu numéro {number} :',
        ],
        'refund' => [
            'words' => 'Votre argent est en route vers vous. Numéro {number} :',
        ],
        'open' => 'Ouvrir vos achats',
        'about' => 'Ce lien n’appartient qu’à vous : il ouvre sans mot de passe tout ce que vous avez acheté, vos reçus et la carte '
            .'d’un paiement échelonné. <link>Reçu en PDF</link>.',
    ],
    'trouble' => [
        'subject' => 'Un paiement a besoin de vous',
        'bank' => 'le prochain paiement pour « {what} », {amount}, vous attend : votre banque veut que vous l’approuviez.',
        'approve' => 'L’approuver auprès de votre banque',
        'again' => 'Nous réessayons le {day}. Si une autre carte convient mieux, saisissez-la ici, et le paiement se fait aussitôt :',
    ],
];
