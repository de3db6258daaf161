<?php

declare(strict_types=1);

return [
    'not_here' => [
        'words' => 'Prosimy sprawdzić, czy w linku nie ma błędu, albo zapytać osobę, od której link pochodzi.',
    ],
    'preview_over' => [
        'words' => 'Linki do podglądu działają dwa tygodnie. Prosimy o nowy zwrócić się do osoby, od której link pochodzi.',
    ],
    'too_many' => [
        'title' => 'Prosimy o chwilę',
        'words' => 'W ostatnich minutach z Państwa łącza przyszło bardzo wiele zgłoszeń. Z Państwa zgłoszeniem wszystko w porządku: '
            .'prosimy wrócić i nacisnąć przycisk ponownie za dziesięć minut.',
    ],
    'too_many_payments' => [
        'title' => 'Prosimy o chwilę',
        'words' => 'W ostatnich minutach z Państwa łącza było bardzo wiele prób płatności. Tą niczego nie pobrano: prosimy wrócić i '
            .'nacisnąć przycisk ponownie za dziesięć minut.',
    ],
    'session_gone' => [
        'words' => 'Zaczął się, minął albo został w tym czasie odwołany. Poprzedni termin pozostaje Państwa.',
    ],
    'time_is_up' => [
        'words' => 'To, co tu było, stało dla Państwa otworem przez ograniczony czas, który już minął.',
    ],
    'go_on' => [
        'words' => 'Gotowe. To, o co Państwo prosili, jest w drodze.',
    ],
    'starts_now' => [
        'title' => 'Państwa czas zacznie się, gdy pójdą Państwo dalej',
        'words' => 'To, co otwiera ten link, jest dla Państwa dostępne przez ograniczony czas. Zacznie się on po naciśnięciu przycisku, '
            .'i nie wcześniej, aby żaden program, który przegląda Państwa pocztę, nie uruchomił go za Państwa.',
    ],
    'paying_now' => [
        'title' => 'Prosimy o chwilę: Państwa płatność jest w drodze',
        'words' => 'Państwa bank jeszcze nam nie odpowiedział. Ta strona sama sprawdza co kilka sekund i poprowadzi Państwa dalej. '
            .'Można ją też zamknąć: potwierdzenie przyjdzie pocztą i nic nie zostanie pobrane dwa razy.',
    ],
    'link_not_yours' => [
        'words' => 'Prosimy otworzyć go ponownie z potwierdzenia: tam jest cały.',
    ],
    'access_paused' => [
        'words' => 'Jedna płatność jest otwarta. Gdy tylko zostanie opłacona, wszystko znów się otworzy. Link w potwierdzeniu i link w '
            .'wiadomości o płatności prowadzą tam, gdzie można to załatwić.',
    ],
    'access_ended' => [
        'title' => 'To nie jest już dla Państwa otwarte',
        'words' => 'Dostęp się zakończył, na przykład po zwrocie. Jeśli to pomyłka, prosimy napisać do osoby, która to sprzedała.',
    ],
    'for_buyers' => [
        'words' => 'Prosimy otworzyć ją linkiem z potwierdzenia. On Państwa rozpozna.',
    ],
    'link_over' => [
        'words' => 'Linki do pobrania działają tylko przez jakiś czas. Prosimy podać adres e-mail, a przyjdzie nowy.',
        'button' => 'Proszę o nowy link',
    ],
    'link_on_its_way' => [
        'title' => 'Prosimy zajrzeć do skrzynki',
    ],
    'leave' => [
        'words' => 'Nie będą już Państwo otrzymywać wiadomości od {business}.',
        'less' => 'Czy wystarczy mniej, czy {business} nie powinno już wcale do Państwa pisać?',
        'button' => 'Tak, proszę mnie wypisać',
        'no_news' => 'Tylko zamówione wiadomości, bez nowości',
    ],
    'left' => [
        'words' => 'Nie będą już Państwo otrzymywać wiadomości od {business}. Dziękujemy za ich czytanie.',
    ],
    'less_often' => [
        'title' => 'Będą Państwo otrzymywać mniej',
        'words' => '{business} nie wyśle już Państwu wiadomości tego rodzaju.',
    ],
    'quiet' => [
        'words' => '{business} napisze do Państwa znów dopiero za trzydzieści dni.',
    ],
    'subscribed_again' => [
        'words' => 'Znów otrzymują Państwo wiadomości od {business}.',
    ],
    'busy' => [
        'title' => 'Prosimy o chwilę',
        'form' => 'Jest tu teraz bardzo duży ruch i Państwa zgłoszenia nie udało się jeszcze przyjąć. Wszystko wciąż tu jest.',
        'form_or' => 'Można też nacisnąć przycisk.',
    ],
];
