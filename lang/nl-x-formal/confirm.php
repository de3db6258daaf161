<?php

declare(strict_types=1);

return [
    'title' => 'Nog één stap: kijk in uw inbox',
    'text' => 'Er is een korte e-mail naar u onderweg. Druk op de knop daarin, en u doet mee. Is hij er over twee minuten niet, kijk '
        .'dan bij de spam.',
    'subject' => 'Wilt u bevestigen: is dit uw adres?',
    'body' => 'iemand, waarschijnlijk u, heeft dit bij {business} aangevraagd. Eén klik, en het is van u:',
    'not_you' => 'Was u dat niet, dan hoeft u niets te doen: zonder deze klik komt er verder niets.',
    'ask' => [
        'title' => 'Is dit uw adres?',
        'words' => 'Eén klik, en u doet mee.',
    ],
];
