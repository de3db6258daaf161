<?php

declare(strict_types=1);

return [
    'not_here' => [
        'title' => 'Il n’y a pas de page à cette adresse',
        'words' => 'Vérifie que le lien est sans faute de frappe, ou demande à la personne qui te l’a donné.',
    ],
    'closed' => [
        'title' => 'Cette offre est fermée pour le moment',
        'words' => 'Merci de ta visite. Les inscriptions sont fermées en ce moment, et rien n’a été enregistré.',
    ],
    'not_open_yet' => [
        'title' => 'Pas encore ouvert',
        'words' => 'Merci de ta visite. Ouverture : {moment}.',
    ],
    'preview_over' => [
        'title' => 'Cet aperçu a expiré',
        'words' => 'Les liens d’aperçu valent deux semaines. Demande un nouveau lien à la personne qui te l’a envoyé.',
    ],
    'too_many' => [
        'title' => 'Un instant, s’il te plaît',
        'words' => 'Il y a eu énormément d’inscriptions depuis ta connexion ces dernières minutes. La tienne va bien : reviens en '
            .'arrière et appuie de nouveau sur le bouton dans dix minutes.',
    ],
    'too_many_payments' => [
        'title' => 'Un instant, s’il te plaît',
        'words' => 'Il y a eu énormément d’essais de paiement depuis ta connexion ces dernières minutes. Celui-ci n’a rien débité : '
            .'reviens en arrière et appuie de nouveau sur le bouton dans dix minutes.',
    ],
    'session_gone' => [
        'title' => 'Cette date ne peut plus être choisie',
        'words' => 'Elle a commencé, est passée ou a été annulée entre-temps. Ta date d’avant reste la tienne.',
    ],
    'time_is_up' => [
        'title' => 'Le délai est écoulé',
        'words' => 'Ce qui se trouvait ici t’était ouvert pour un temps limité, et c’est terminé.',
    ],
    'go_on' => [
        'title' => 'Merci',
        'words' => 'C’est fait. Ce que tu as demandé est en route.',
    ],
    'starts_now' => [
        'title' => 'Ton délai commence quand tu continues',
        'words' => 'Ce que ce lien ouvre t’est accessible pour un temps limité. Il commence quand tu appuies sur le bouton, pas avant, '
            .'pour qu’aucun programme qui examine tes e-mails ne le déclenche à ta place.',
        'button' => 'Continuer, et démarrer mon délai',
    ],
    'paying_now' => [
        'title' => 'Un instant : ton paiement est en route',
        'words' => 'Ta banque ne nous a pas encore répondu. Cette page vérifie toute seule toutes les quelques secondes et t’emmène '
            .'plus loin. Tu peux aussi la fermer : le reçu arrive par e-mail, et rien n’est débité deux fois.',
    ],
    'not_paid' => [
        'title' => 'Le paiement n’a pas abouti',
    ],
    'link_not_yours' => [
        'title' => 'Ce lien n’ouvre rien',
        'words' => 'Ouvre-le de nouveau depuis ton reçu : il y est complet.',
    ],
    'access_paused' => [
        'title' => 'L’accès est suspendu',
        'words' => 'Un paiement est en attente. Dès qu’il est réglé, tout s’ouvre de nouveau. Le lien de ton reçu, et celui de l’e-mail '
            .'sur le paiement, mènent là où tu peux t’en occuper.',
    ],
    'access_ended' => [
        'title' => 'Ce n’est plus ouvert pour toi',
        'words' => 'L’accès a pris fin, par exemple après un remboursement. Si c’est une erreur, écris à la personne qui te l’a vendu.',
    ],
    'for_buyers' => [
        'title' => 'Cette page est réservée aux acheteurs',
        'words' => 'Ouvre-la par le lien de ton reçu. Il te reconnaît.',
    ],
    'link_over' => [
        'title' => 'Ce lien de téléchargement a expiré',
        'words' => 'Les liens de téléchargement ne valent qu’un certain temps. Donne ton adresse e-mail, et un nouveau arrive dans ta '
            .'boîte.',
        'button' => 'M’envoyer un nouveau lien',
    ],
    'link_on_its_way' => [
        'title' => 'Regarde ta boîte de réception',
        'words' => 'Si nous connaissons cette adresse, un nouveau lien est en route et sera là dans une minute ou deux.',
    ],
    'file_gone' => [
        'title' => 'Ce fichier n’est plus disponible',
        'words' => 'Le téléchargement a été retiré par la personne qui le proposait.',
    ],
    'leave' => [
        'title' => 'Se désabonner ?',
        'words' => 'Tu ne recevras plus d’e-mails de {business}.',
        'less' => 'Recevoir moins suffirait-il, ou {business} ne doit-il plus du tout t’écrire ?',
        'button' => 'Oui, me désabonner',
        'no_news' => 'Seulement ce que j’ai demandé, pas d’actualités',
        'no_series' => 'Plus cette série, mais des actualités de temps en temps',
        'quiet' => 'Rien pendant un mois',
    ],
    'left' => [
        'title' => 'Tu es désabonné',
        'words' => 'Tu ne recevras plus d’e-mails de {business}. Merci de les avoir lus.',
        'mistake' => 'Une erreur de clic ?',
        'back' => 'Annuler',
    ],
    'less_often' => [
        'title' => 'Tu recevras moins',
        'words' => '{business} ne t’envoie plus d’e-mails de ce genre.',
    ],
    'quiet' => [
        'title' => 'Un mois de calme',
        'words' => '{business} ne t’écrira de nouveau que dans trente jours.',
    ],
    'subscribed_again' => [
        'title' => 'Comme avant',
        'words' => 'Tu reçois de nouveau les e-mails de {business}.',
    ],
    'busy' => [
        'title' => 'Un instant, s’il te plaît',
        'form' => 'Il y a énormément de monde en ce moment, et ce que tu as envoyé n’a pas encore pu être pris en compte. Tout est '
            .'encore là.',
        'form_again' => 'L’envoi repart tout seul dans quelques secondes.',
        'form_or' => 'Ou appuie sur le bouton.',
        'send' => 'Envoyer de nouveau',
        'words' => 'Il y a énormément de monde en ce moment. Cette page s’ouvre toute seule dans quelques secondes.',
        'again' => 'Réessayer',
        'stored' => 'Rien ne peut être enregistré en ce moment : la base de données est occupée, ou le disque est plein. Ce que tu as '
            .'saisi reste ici et repart tout seul.',
    ],
    'to' => [
        'first_page' => 'À la première page',
        'now' => 'Voir l’offre actuelle',
        'other_times' => 'Voir les autres dates',
        'again' => 'Réessayer',
        'on' => 'Continuer',
    ],
];
