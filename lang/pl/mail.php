<?php

declare(strict_types=1);

return [
    'hello' => 'Cześć {name},',
    'there' => 'i dzień dobry',
    'hello_nobody' => 'Cześć,',
    'unsubscribe' => 'Wypisz się lub otrzymuj mniej',
    'unsubscribe_at' => 'Wypisz się: {address}',
    'no_subject' => '(bez tematu)',
    'link' => [
        'subject' => 'Twój nowy link do pobrania',
        'here' => 'oto nowy link do „{file}”:',
        'here_unnamed' => 'oto nowy link do Twojego pliku:',
        'download' => 'Pobierz teraz',
        'not_you' => 'Prośba przyszła z naszej strony. Jeśli to nie Ty, nie musisz nic robić.',
    ],
    'session' => [
        'room' => 'Twój link do pokoju',
        'calendar' => 'Dodaj do kalendarza',
        'choose' => 'Wybierz inny termin',
        'place' => [
            'subject' => 'Masz miejsce: {webinar}',
            'words' => 'Zwolniło się miejsce i jest Twoje: „{webinar}”, {moment}.',
            'cannot' => 'Jednak nie możesz przyjść? <link>Wybierz inny termin albo oddaj swoje miejsce komuś innemu</link>.',
        ],
        'moved' => [
            'subject' => 'Nowy termin: {webinar}',
            'words' => '„{webinar}” odbędzie się w innym terminie: {moment}. Twoje miejsce jest zachowane.',
            'calendar' => 'Zaktualizuj kalendarz',
            'cannot' => 'Ten termin Ci nie pasuje? <link>Wybierz inny</link>.',
        ],
        'cancelled' => [
            'subject' => 'Odwołane: {webinar}',
            'words' => 'Przykro nam: „{webinar}” nie odbędzie się w wybranym terminie.',
            'calendar' => 'Usuń z kalendarza',
        ],
        'again' => [
            'subject' => 'Masz już miejsce: {webinar}',
            'words' => 'Ktoś, mamy nadzieję, że Ty, właśnie zapisał ten adres na „{webinar}”. Masz tam już miejsce: {moment}.',
        ],
    ],
    'receipt' => [
        'purchase' => [
            'subject' => 'Twoje potwierdzenie: {what}',
            'words' => 'Dziękujemy. Oto Twoje potwierdzenie, numer {number}:',
        ],
        'payment' => [
            'subject' => 'Płatność otrzymana: {what}',
            'words' => 'Twoja płatność dotarła. Potwierdzenie numer {number}:',
        ],
        'refund' => [
            'subject' => 'Zwrot: {what}',
            'words' => 'Twoje pieniądze są w drodze do Ciebie. Numer {number}:',
        ],
        'line' => '{name}: {amount}',
        'line_off' => '{name}: {amount} ({discount} zniżki)',
        'total' => 'Razem: {amount}',
        'paid' => 'Zapłacono: {amount}',
        'tax' => 'W tym {tax}: {amount}',
        'later' => 'Do zapłaty później, z tej samej karty:',
        'payment_on' => '{day}: {amount}',
        'open' => 'Otwórz swoje zakupy',
        'about' => 'Ten link jest tylko Twój: otwiera bez hasła wszystkie Twoje zakupy, potwierdzenia i kartę do płatności ratalnych. '
            .'<link>Potwierdzenie w PDF</link>.',
    ],
    'trouble' => [
        'subject' => 'Płatność czeka na Ciebie',
        'bank' => 'kolejna płatność za „{what}”, {amount}, czeka na Ciebie: bank prosi o zatwierdzenie.',
        'approve' => 'Zatwierdź w banku',
        'failed' => 'kolejna płatność za „{what}”, {amount}, nie udała się. {why}',
        'again' => 'Spróbujemy ponownie: {day}. Jeśli lepsza będzie inna karta, wpisz ją tutaj, a płatność nastąpi od razu:',
        'given_up' => 'kilka razy próbowaliśmy pobrać płatność {amount} za „{what}”, bez powodzenia. Do czasu zapłaty dostęp jest '
            .'wstrzymany.',
        'card' => 'Użyj innej karty',
    ],
];
