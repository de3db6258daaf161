<?php

declare(strict_types=1);

return [
    'hello' => 'Bonjour {name},',
    'there' => 'et bienvenue',
    'hello_nobody' => 'Bonjour,',
    'unsubscribe' => 'Se désabonner, ou recevoir moins',
    'unsubscribe_at' => 'Se désabonner : {address}',
    'no_subject' => '(sans objet)',
    'link' => [
        'subject' => 'Ton nouveau lien de téléchargement',
        'here' => 'voici un nouveau lien vers « {file} » :',
        'here_unnamed' => 'voici un nouveau lien vers ton téléchargement :',
        'download' => 'Télécharger maintenant',
        'not_you' => 'Tu l’as demandé sur notre page. Si ce n’était pas toi, il n’y a rien à faire.',
    ],
    'session' => [
        'room' => 'Ton lien vers la salle',
        'calendar' => 'Ajouter au calendrier',
        'choose' => 'Choisir une autre date',
        'place' => [
            'subject' => 'Tu as une place : {webinar}',
            'words' => 'Une place s’est libérée, et elle est à toi : « {webinar} », {moment}.',
            'cannot' => 'Tu ne peux finalement pas venir ? <link>Choisis une autre date, ou laisse ta place à quelqu’un d’autre</link>.',
        ],
        'moved' => [
            'subject' => 'Nouvelle date : {webinar}',
            'words' => '« {webinar} » a lieu à une autre date : {moment}. Ta place est gardée.',
            'calendar' => 'Mettre le calendrier à jour',
            'cannot' => 'Cela ne te convient pas ? <link>Choisis une autre date</link>.',
        ],
        'cancelled' => [
            'subject' => 'Annulé : {webinar}',
            'words' => 'Nous sommes désolés : « {webinar} » n’a pas lieu à la date que tu avais choisie.',
            'calendar' => 'Retirer du calendrier',
        ],
        'again' => [
            'subject' => 'Tu as déjà une place : {webinar}',
            'words' => 'Quelqu’un, toi nous l’espérons, vient de t’inscrire à « {webinar} ». Tu y as déjà une place : {moment}.',
        ],
    ],
    'receipt' => [
        'purchase' => [
            'subject' => 'Ton reçu : {what}',
            'words' => 'Merci. Voici ton reçu, numéro {number} :',
        ],
        'payment' => [
            'subject' => 'Paiement reçu : {what}',
            'words' => 'Ton paiement est arrivé. Reçu numéro {number} :',
        ],
        'refund' => [
            'subject' => 'Remboursement : {what}',
            'words' => 'Ton argent est en route vers toi. Numéro {number} :',
        ],
        'line' => '{name} : {amount}',
        'line_off' => '{name} : {amount} ({discount} de réduction)',
        'total' => 'Total : {amount}',
        'paid' => 'Payé : {amount}',
        'tax' => 'Dont {tax} : {amount}',
        'later' => 'À venir, débité de la même carte :',
        'payment_on' => '{day} : {amount}',
        'open' => 'Ouvrir tes achats',
        'about' => 'Ce lien n’appartient qu’à toi : il ouvre sans mot de passe tout ce que tu as acheté, tes reçus et la carte d’un '
            .'paiement échelonné. <link>Reçu en PDF</link>.',
    ],
    'trouble' => [
        'subject' => 'Un paiement a besoin de toi',
        'bank' => 'le prochain paiement pour « {what} », {amount}, t’attend : ta banque veut que tu l’approuves.',
        'approve' => 'L’approuver auprès de ta banque',
        'failed' => 'le prochain paiement pour « {what} », {amount}, n’a pas abouti. {why}',
        'again' => 'Nous réessayons le {day}. Si une autre carte convient mieux, saisis-la ici, et le paiement se fait aussitôt :',
        'given_up' => 'nous avons essayé plusieurs fois de débiter le paiement de {amount} pour « {what} », sans succès. L’accès est '
            .'suspendu jusqu’au paiement.',
        'card' => 'Utiliser une autre carte',
    ],
];
