<?php

declare(strict_types=1);

return [
    'hello' => 'Hallo {name},',
    'there' => 'en welkom',
    'hello_nobody' => 'Hallo,',
    'unsubscribe' => 'Afmelden of minder ontvangen',
    'unsubscribe_at' => 'Afmelden: {address}',
    'no_subject' => '(geen onderwerp)',
    'link' => [
        'subject' => 'Je nieuwe downloadlink',
        'here' => 'hier is een nieuwe link naar ‘{file}’:',
        'here_unnamed' => 'hier is een nieuwe link naar je download:',
        'download' => 'Nu downloaden',
        'not_you' => 'Je vroeg erom op onze pagina. Was jij dat niet, dan hoef je niets te doen.',
    ],
    'session' => [
        'room' => 'Je link naar de ruimte',
        'calendar' => 'In de agenda zetten',
        'choose' => 'Een andere datum kiezen',
        'place' => [
            'subject' => 'Je hebt een plaats: {webinar}',
            'words' => 'Er is een plaats vrijgekomen, en die is van jou: ‘{webinar}’, {moment}.',
            'cannot' => 'Kun je toch niet komen? <link>Kies een andere datum of geef je plaats aan iemand anders</link>.',
        ],
        'moved' => [
            'subject' => 'Nieuwe datum: {webinar}',
            'words' => '‘{webinar}’ is nu op een andere datum: {moment}. Je plaats blijft van jou.',
            'calendar' => 'De agenda bijwerken',
            'cannot' => 'Komt dat niet uit? <link>Kies een andere datum</link>.',
        ],
        'cancelled' => [
            'subject' => 'Afgelast: {webinar}',
            'words' => 'Het spijt ons: ‘{webinar}’ gaat niet door op de datum die je had gekozen.',
            'calendar' => 'Uit de agenda halen',
        ],
        'again' => [
            'subject' => 'Je hebt al een plaats: {webinar}',
            'words' => 'Iemand, hopelijk jij, heeft je net aangemeld voor ‘{webinar}’. Je hebt daar al een plaats: {moment}.',
        ],
    ],
    'receipt' => [
        'purchase' => [
            'subject' => 'Je bon: {what}',
            'words' => 'Dank je wel. Hier is je bon, nummer {number}:',
        ],
        'payment' => [
            'subject' => 'Betaling ontvangen: {what}',
            'words' => 'Je betaling is binnen. Bon nummer {number}:',
        ],
        'refund' => [
            'subject' => 'Terugbetaling: {what}',
            'words' => 'Je geld is naar je onderweg. Nummer {number}:',
        ],
        'line' => '{name}: {amount}',
        'line_off' => '{name}: {amount} ({discount} korting)',
        'total' => 'Totaal: {amount}',
        'paid' => 'Betaald: {amount}',
        'tax' => 'Waarvan {tax}: {amount}',
        'later' => 'Nog te betalen, afgeschreven van dezelfde kaart:',
        'payment_on' => '{day}: {amount}',
        'open' => 'Openen wat je hebt gekocht',
        'about' => 'Deze link is alleen van jou: hij opent zonder wachtwoord alles wat je hebt gekocht, je bonnen en de kaart van een '
            .'betaling in termijnen. <link>Bon als pdf</link>.',
    ],
    'trouble' => [
        'subject' => 'Een betaling heeft je nodig',
        'bank' => 'de volgende betaling voor ‘{what}’, {amount}, wacht op je: je bank wil dat je haar goedkeurt.',
        'approve' => 'Bij je bank goedkeuren',
        'failed' => 'de volgende betaling voor ‘{what}’, {amount}, is niet gelukt. {why}',
        'again' => 'We proberen het weer op {day}. Is een andere kaart beter, vul die dan hier in, en er wordt meteen betaald:',
        'given_up' => 'we hebben meermaals geprobeerd de betaling van {amount} voor ‘{what}’ af te schrijven, en dat is niet gelukt. '
            .'Tot er betaald is, is de toegang opgeschort.',
        'card' => 'Een andere kaart gebruiken',
    ],
];
