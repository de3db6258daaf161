<?php

declare(strict_types=1);

return [
    'hello' => 'Goedendag {name},',
    'hello_nobody' => 'Goedendag,',
    'link' => [
        'subject' => 'Uw nieuwe downloadlink',
        'here_unnamed' => 'hier is een nieuwe link naar uw download:',
        'not_you' => 'U vroeg erom op onze pagina. Was u dat niet, dan hoeft u niets te doen.',
    ],
    'session' => [
        'room' => 'Uw link naar de ruimte',
        'place' => [
            'subject' => 'U hebt een plaats: {webinar}',
            'words' => 'Er is een plaats vrijgekomen, en die is van u: ‘{webinar}’, {moment}.',
            'cannot' => 'Kunt u toch niet komen? <link>Kies een andere datum of geef uw plaats aan iemand anders</link>.',
        ],
        'moved' => [
            'words' => '‘{webinar}’ is nu op een andere datum: {moment}. Uw plaats blijft van u.',
        ],
        'cancelled' => [
            'words' => 'Het spijt ons: ‘{webinar}’ gaat niet door op de datum die u had gekozen.',
        ],
        'again' => [
            'subject' => 'U hebt al een plaats: {webinar}',
            'words' => 'Iemand, hopelijk u, heeft u net aangemeld voor ‘{webinar}’. U hebt daar al een plaats: {moment}.',
        ],
    ],
    'receipt' => [
        'purchase' => [
            'subject' => 'Uw bon: {what}',
            'words' => 'Dank u wel. Hier is uw bon, nummer {number}:',
        ],
        'payment' => [
            'words' => 'Uw betaling is binnen. Bon nummer {number}:',
        ],
        'refund' => [
            'words' => 'Uw geld is naar u onderweg. Nummer {number}:',
        ],
        'open' => 'Openen wat u hebt gekocht',
        'about' => 'Deze link is alleen van u: hij opent zonder wachtwoord alles wat u hebt gekocht, uw bonnen en de kaart van een '
            .'betaling in termijnen. <link>Bon als pdf</link>.',
    ],
    'trouble' => [
        'subject' => 'Een betaling heeft u nodig',
        'bank' => 'de volgende betaling voor ‘{what}’, {amount}, wacht op u: uw bank wil dat u haar goedkeurt.',
        'approve' => 'Bij uw bank goedkeuren',
    ],
];
