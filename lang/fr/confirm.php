<?php

declare(strict_types=1);

return [
    'title' => 'Encore une étape : regarde ta boîte de réception',
    'text' => 'Un petit e-mail est en route vers toi. Appuie sur le bouton qu’il contient, et c’est fait. S’il n’est pas là dans deux '
        .'minutes, regarde dans les indésirables.',
    'subject' => 'Confirme, s’il te plaît : est-ce bien ton adresse ?',
    'body' => 'quelqu’un, sans doute toi, a demandé ceci auprès de {business}. Un clic, et c’est à toi :',
    'button' => 'Oui, c’est mon adresse',
    'not_you' => 'Si ce n’était pas toi, il n’y a rien à faire : sans ce clic, rien d’autre n’arrivera.',
    'again' => 'Envoyer de nouveau',
    'sent_again' => 'L’e-mail est reparti. C’est le plus récent qui compte.',
    'just_sent' => 'Un e-mail vient de partir. Attends une minute, regarde dans les indésirables, et vérifie que l’adresse est sans '
        .'faute de frappe.',
    'done' => [
        'title' => 'C’est fait',
        'words' => 'Cette adresse est déjà confirmée. Il n’y a plus rien à faire ici.',
    ],
    'over' => [
        'title' => 'Ce lien a expiré',
        'words' => 'Les liens de confirmation ne valent que quelques jours. Un nouveau arrive en appuyant sur le bouton.',
    ],
    'ask' => [
        'title' => 'Est-ce ton adresse ?',
        'words' => 'Un clic, et c’est fait.',
    ],
];
