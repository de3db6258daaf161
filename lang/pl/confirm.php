<?php

declare(strict_types=1);

return [
    'title' => 'Jeszcze jeden krok: zajrzyj do skrzynki',
    'text' => 'Krótka wiadomość jest w drodze do Ciebie. Naciśnij w niej przycisk i gotowe. Jeśli nie dotrze w dwie minuty, zajrzyj do '
        .'spamu.',
    'subject' => 'Potwierdź, proszę: czy to Twój adres?',
    'body' => 'ktoś, najpewniej Ty, zgłosił to w {business}. Jedno kliknięcie i to jest Twoje:',
    'button' => 'Tak, to mój adres',
    'not_you' => 'Jeśli to nie Ty, nie musisz nic robić: bez tego kliknięcia nic więcej nie przyjdzie.',
    'again' => 'Wyślij ponownie',
    'sent_again' => 'Wiadomość wysłano jeszcze raz. Ważna jest najnowsza.',
    'just_sent' => 'Wiadomość wyszła przed chwilą. Odczekaj minutę, zajrzyj do spamu i sprawdź, czy w adresie nie ma błędu.',
    'done' => [
        'title' => 'To już zrobione',
        'words' => 'Ten adres jest już potwierdzony. Nie ma tu nic więcej do zrobienia.',
    ],
    'over' => [
        'title' => 'Ten link wygasł',
        'words' => 'Linki do potwierdzenia adresu działają tylko kilka dni. Nowy przyjdzie po naciśnięciu przycisku.',
    ],
    'ask' => [
        'title' => 'Czy to Twój adres?',
        'words' => 'Jedno kliknięcie i gotowe.',
    ],
];
