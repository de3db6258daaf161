<?php

declare(strict_types=1);

return [
    'title' => 'Encore une étape : regardez votre boîte de réception',
    'text' => 'Un petit e-mail est en route vers vous. Appuyez sur le bouton qu’il contient, et c’est fait. S’il n’est pas là dans deux '
        .'minutes, regardez dans les indésirables.',
    'subject' => 'Confirmez, s’il vous plaît : est-ce bien votre adresse ?',
    'body' => 'quelqu’un, sans doute vous, a demandé ceci auprès de {business}. Un clic, et c’est à vous :',
    'not_you' => 'Si ce n’était pas vous, il n’y a rien à faire : sans ce clic, rien d’autre n’arrivera.',
    'just_sent' => 'Un e-mail vient de partir. Attendez une minute, regardez dans les indésirables, et vérifiez que l’adresse est sans '
        .'faute de frappe.',
    'ask' => [
        'title' => 'Est-ce votre adresse ?',
    ],
];
