<?php

declare(strict_types=1);

return [
    'not_here' => [
        'words' => 'Vérifiez que le lien est sans faute de frappe, ou demandez à la personne qui vous l’a donné.',
    ],
    'closed' => [
        'words' => 'Merci de votre visite. Les inscriptions sont fermées en ce moment, et rien n’a été enregistré.',
    ],
    'not_open_yet' => [
        'words' => 'Merci de votre visite. Ouverture : {moment}.',
    ],
    'preview_over' => [
        'words' => 'Les liens d’aperçu valent deux semaines. Demandez un nouveau lien à la personne qui vous l’a envoyé.',
    ],
    'too_many' => [
        'title' => 'Un instant, s’il vous plaît',
        'words' => 'Il y a eu énormément d’inscriptions depuis votre connexion ces dernières minutes. La vôtre va bien : revenez en '
            .'arrière et appuyez de nouveau sur le bouton dans dix minutes.',
    ],
    'too_many_payments' => [
        'title' => 'Un instant, s’il vous plaît',
        'words' => 'Il y a eu énormément d’essais de paiement depuis votre connexion ces dernières minutes. Celui-ci n’a rien débité : '
            .'revenez en arrière et appuyez de nouveau sur le bouton dans dix minutes.',
    ],
    'session_gone' => [
        'words' => 'Elle a commencé, est passée ou a été annulée entre-temps. Votre date d’avant reste la vôtre.',
    ],
    'time_is_up' => [
        'words' => 'Ce qui se trouvait ici vous était ouvert pour un temps limité, et c’est terminé.',
    ],
    'go_on' => [
        'words' => 'C’est fait. Ce que vous avez demandé est en route.',
    ],
    'starts_now' => [
        'title' => 'Votre délai commence quand vous continuez',
        'words' => 'Ce que ce lien ouvre vous est accessible pour un temps limité. Il commence quand vous appuyez sur le bouton, pas '
            .'avant, pour qu’aucun programme qui examine vos e-mails ne le déclenche à votre place.',
    ],
    'paying_now' => [
        'title' => 'Un instant : votre paiement est en route',
        'words' => 'Votre banque ne nous a pas encore répondu. Cette page vérifie toute seule toutes les quelques secondes et vous '
            .'emmène plus loin. Vous pouvez aussi la fermer : le reçu arrive par e-mail, et rien n’est débité deux fois.',
    ],
    'link_not_yours' => [
        'words' => 'Ouvrez-le de nouveau depuis votre reçu : il y est complet.',
    ],
    'access_paused' => [
        'words' => 'Un paiement est en attente. Dès qu’il est réglé, tout s’ouvre de nouveau. Le lien de votre reçu, et celui de '
            .'l’e-mail sur le paiement, mènent là où vous pouvez vous en occuper.',
    ],
    'access_ended' => [
        'title' => 'Ce n’est plus ouvert pour vous',
        'words' => 'L’accès a pris fin, par exemple après un remboursement. Si c’est une erreur, écrivez à la personne qui vous l’a '
            .'vendu.',
    ],
    'for_buyers' => [
        'words' => 'Ouvrez-la par le lien de votre reçu. Il vous reconnaît.',
    ],
    'link_over' => [
        'words' => 'Les liens de téléchargement ne valent qu’un certain temps. Donnez votre adresse e-mail, et un nouveau arrive dans '
            .'votre boîte.',
    ],
    'link_on_its_way' => [
        'title' => 'Regardez votre boîte de réception',
    ],
    'leave' => [
        'words' => 'Vous ne recevrez plus d’e-mails de {business}.',
        'less' => 'Recevoir moins suffirait-il, ou {business} ne doit-il plus du tout vous écrire ?',
    ],
    'left' => [
        'title' => 'Vous êtes désabonné',
        'words' => 'Vous ne recevrez plus d’e-mails de {business}. Merci de les avoir lus.',
    ],
    'less_often' => [
        'title' => 'Vous recevrez moins',
        'words' => '{business} ne vous envoie plus d’e-mails de ce genre.',
    ],
    'quiet' => [
        'words' => '{business} ne vous écrira de nouveau que dans trente jours.',
    ],
    'subscribed_again' => [
        'words' => 'Vous recevez de nouveau les e-mails de {business}.',
    ],
    'busy' => [
        'title' => 'Un instant, s’il vous plaît',
        'form' => 'Il y a énormément de monde en ce moment, et ce que vous avez envoyé n’a pas encore pu être pris en compte. Tout est '
            .'encore là.',
        'form_or' => 'Ou appuyez sur le bouton.',
        'stored' => 'Rien ne peut être enregistré en ce moment : la base de données est occupée, ou le disque est plein. Ce que vous '
            .'avez saisi reste ici et repart tout seul.',
    ],
];
