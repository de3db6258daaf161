<?php

declare(strict_types=1);

return [
    'hello' => 'Dzień dobry {name},',
    'there' => 'i witamy',
    'hello_nobody' => 'Dzień dobry,',
    'unsubscribe' => 'Wypisanie się lub mniej wiadomości',
    'unsubscribe_at' => 'Wypisanie się: {address}',
    'link' => [
        'subject' => 'Państwa nowy link do pobrania',
        'here_unnamed' => 'oto nowy link do Państwa pliku:',
        'download' => 'Pobranie pliku',
        'not_you' => 'Prośba przyszła z naszej strony. Jeśli to nie Państwo, nie trzeba nic robić.',
    ],
    'session' => [
        'room' => 'Państwa link do pokoju',
        'calendar' => 'Dodanie do kalendarza',
        'choose' => 'Wybór innego terminu',
        'place' => [
            'subject' => 'Mają Państwo miejsce: {webinar}',
            'words' => 'Zwolniło się miejsce i jest Państwa: „{webinar}”, {moment}.',
            'cannot' => 'Jednak nie mogą Państwo przyjść? <link>Prosimy wybrać inny termin albo oddać miejsce komuś innemu</link>.',
        ],
        'moved' => [
            'words' => '„{webinar}” odbędzie się w innym terminie: {moment}. Państwa miejsce jest zachowane.',
            'cannot' => 'Ten termin Państwu nie pasuje? <link>Prosimy wybrać inny</link>.',
        ],
        'again' => [
            'subject' => 'Mają już Państwo miejsce: {webinar}',
            'words' => 'Ktoś, mamy nadzieję, że Państwo, właśnie zapisał ten adres na „{webinar}”. Mają tam już Państwo miejsce: '
                .'{moment}.',
        ],
    ],
    'receipt' => [
        'purchase' => [
            'subject' => 'Państwa potwierdzenie: {what}',
            'words' => 'Dziękujemy. Oto Państwa potwierdzenie, numer {number}:',
        ],
        'payment' => [
            'words' => 'Państwa płatność dotarła. Potwierdzenie numer {number}:',
        ],
        'refund' => [
            'words' => 'Państwa pieniądze są w drodze. Numer {number}:',
        ],
        'open' => 'Państwa zakupy',
        'about' => 'Ten link jest tylko dla Państwa: otwiera bez hasła wszystkie Państwa zakupy, potwierdzenia i kartę do płatności '
            .'ratalnych. <link>Potwierdzenie w PDF</link>.',
    ],
    'trouble' => [
        'subject' => 'Płatność czeka na Państwa',
        'bank' => 'kolejna płatność za „{what}”, {amount}, czeka na Państwa: bank prosi o zatwierdzenie.',
        'again' => 'Spróbujemy ponownie: {day}. Jeśli lepsza będzie inna karta, prosimy wpisać ją tutaj, a płatność nastąpi od razu:',
    ],
];
