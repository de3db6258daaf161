<?php

declare(strict_types=1);

return [
    'title' => 'Jeszcze jeden krok: prosimy zajrzeć do skrzynki',
    'text' => 'Krótka wiadomość jest w drodze do Państwa. Prosimy nacisnąć w niej przycisk i gotowe. Jeśli nie dotrze w dwie minuty, '
        .'prosimy zajrzeć do spamu.',
    'subject' => 'Prosimy o potwierdzenie: czy to Państwa adres?',
    'body' => 'ktoś, najpewniej Państwo, zgłosił to w {business}. Jedno kliknięcie i to jest Państwa:',
    'not_you' => 'Jeśli to nie Państwo, nie trzeba nic robić: bez tego kliknięcia nic więcej nie przyjdzie.',
    'just_sent' => 'Wiadomość wyszła przed chwilą. Prosimy odczekać minutę, zajrzeć do spamu i sprawdzić, czy w adresie nie ma błędu.',
    'ask' => [
        'title' => 'Czy to Państwa adres?',
    ],
];
