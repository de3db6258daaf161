<?php

declare(strict_types=1);

return [
    'title' => 'Nog één stap: kijk in je inbox',
    'text' => 'Er is een korte e-mail naar je onderweg. Druk op de knop daarin, en je doet mee. Is hij er over twee minuten niet, kijk '
        .'dan bij de spam.',
    'subject' => 'Bevestig even: is dit je adres?',
    'body' => 'iemand, waarschijnlijk jij, heeft dit bij {business} aangevraagd. Eén klik, en het is van jou:',
    'button' => 'Ja, dit is mijn adres',
    'not_you' => 'Was jij dat niet, dan hoef je niets te doen: zonder deze klik komt er verder niets.',
    'again' => 'Opnieuw sturen',
    'sent_again' => 'De e-mail is nog een keer verstuurd. De nieuwste geldt.',
    'just_sent' => 'Er ging net een e-mail de deur uit. Wacht een minuut, kijk bij de spam en controleer het adres op tikfouten.',
    'done' => [
        'title' => 'Dit is al klaar',
        'words' => 'Dit adres is al bevestigd. Hier valt niets meer te doen.',
    ],
    'over' => [
        'title' => 'Deze link is verlopen',
        'words' => 'Links om een adres te bevestigen werken maar een paar dagen. Met een druk op de knop komt er een nieuwe.',
    ],
    'ask' => [
        'title' => 'Is dit je adres?',
        'words' => 'Eén klik, en je doet mee.',
    ],
];
