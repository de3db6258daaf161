<?php

declare(strict_types=1);

return [
    'not_here' => [
        'title' => 'Pod tym adresem nie ma strony',
        'words' => 'Sprawdź, czy w linku nie ma błędu, albo zapytaj osobę, od której go masz.',
    ],
    'closed' => [
        'title' => 'Ta oferta jest na razie zamknięta',
        'words' => 'Dziękujemy za odwiedziny. Zapisy są teraz zamknięte i niczego nie zapisano.',
    ],
    'not_open_yet' => [
        'title' => 'Jeszcze nieotwarte',
        'words' => 'Dziękujemy za odwiedziny. Otwarcie: {moment}.',
    ],
    'preview_over' => [
        'title' => 'Ten podgląd wygasł',
        'words' => 'Linki do podglądu działają dwa tygodnie. Poproś o nowy osobę, od której go masz.',
    ],
    'too_many' => [
        'title' => 'Chwileczkę',
        'words' => 'W ostatnich minutach z Twojego łącza przyszło bardzo wiele zgłoszeń. Z Twoim wszystko w porządku: wróć i naciśnij '
            .'przycisk ponownie za dziesięć minut.',
    ],
    'too_many_payments' => [
        'title' => 'Chwileczkę',
        'words' => 'W ostatnich minutach z Twojego łącza było bardzo wiele prób płatności. Tą niczego nie pobrano: wróć i naciśnij '
            .'przycisk ponownie za dziesięć minut.',
    ],
    'session_gone' => [
        'title' => 'Tego terminu nie można już wybrać',
        'words' => 'Zaczął się, minął albo został w tym czasie odwołany. Twój poprzedni termin pozostaje Twój.',
    ],
    'time_is_up' => [
        'title' => 'Czas na to minął',
        'words' => 'To, co tu było, stało dla Ciebie otworem przez ograniczony czas, który już minął.',
    ],
    'go_on' => [
        'title' => 'Dziękujemy',
        'words' => 'Gotowe. To, o co prosisz, jest w drodze.',
    ],
    'starts_now' => [
        'title' => 'Twój czas zacznie się, gdy pójdziesz dalej',
        'words' => 'To, co otwiera ten link, jest dla Ciebie dostępne przez ograniczony czas. Zacznie się on, gdy naciśniesz przycisk, '
            .'i nie wcześniej, aby żaden program, który przegląda Twoją pocztę, nie uruchomił go za Ciebie.',
        'button' => 'Dalej, zacznij mój czas',
    ],
    'paying_now' => [
        'title' => 'Chwileczkę: Twoja płatność jest w drodze',
        'words' => 'Twój bank jeszcze nam nie odpowiedział. Ta strona sama sprawdza co kilka sekund i poprowadzi Cię dalej. Możesz ją '
            .'też zamknąć: potwierdzenie przyjdzie pocztą i nic nie zostanie pobrane dwa razy.',
    ],
    'not_paid' => [
        'title' => 'Płatność się nie udała',
    ],
    'link_not_yours' => [
        'title' => 'Ten link niczego nie otwiera',
        'words' => 'Otwórz go ponownie ze swojego potwierdzenia: tam jest cały.',
    ],
    'access_paused' => [
        'title' => 'Dostęp jest wstrzymany',
        'words' => 'Jedna płatność jest otwarta. Gdy tylko zostanie opłacona, wszystko znów się otworzy. Link w potwierdzeniu i link w '
            .'wiadomości o płatności prowadzą tam, gdzie możesz to załatwić.',
    ],
    'access_ended' => [
        'title' => 'To nie jest już dla Ciebie otwarte',
        'words' => 'Dostęp się zakończył, na przykład po zwrocie. Jeśli to pomyłka, napisz do osoby, która to sprzedała.',
    ],
    'for_buyers' => [
        'title' => 'Ta strona jest dla kupujących',
        'words' => 'Otwórz ją linkiem ze swojego potwierdzenia. On Cię rozpozna.',
    ],
    'link_over' => [
        'title' => 'Ten link do pobrania wygasł',
        'words' => 'Linki do pobrania działają tylko przez jakiś czas. Podaj adres e-mail, a przyjdzie nowy.',
        'button' => 'Wyślij mi nowy link',
    ],
    'link_on_its_way' => [
        'title' => 'Zajrzyj do skrzynki',
        'words' => 'Jeśli znamy ten adres, nowy link jest w drodze i dotrze za minutę lub dwie.',
    ],
    'file_gone' => [
        'title' => 'Tego pliku już nie ma',
        'words' => 'Plik został wycofany przez osobę, która go oferowała.',
    ],
    'leave' => [
        'title' => 'Wypisać się?',
        'words' => 'Nie będziesz już otrzymywać wiadomości od {business}.',
        'less' => 'Czy wystarczy mniej, czy {business} nie powinno już wcale do Ciebie pisać?',
        'button' => 'Tak, wypisz mnie',
        'no_news' => 'Tylko to, o co prosiłem lub prosiłam, bez nowości',
        'no_series' => 'Tej serii nie, ale nowości od czasu do czasu',
        'quiet' => 'Nic przez miesiąc',
    ],
    'left' => [
        'title' => 'Wypisano',
        'words' => 'Nie będziesz już otrzymywać wiadomości od {business}. Dziękujemy za ich czytanie.',
        'mistake' => 'Naciśnięte przez pomyłkę?',
        'back' => 'Cofnij',
    ],
    'less_often' => [
        'title' => 'Będziesz otrzymywać mniej',
        'words' => '{business} nie wyśle Ci już wiadomości tego rodzaju.',
    ],
    'quiet' => [
        'title' => 'Miesiąc ciszy',
        'words' => '{business} napisze do Ciebie znów dopiero za trzydzieści dni.',
    ],
    'subscribed_again' => [
        'title' => 'Jak przedtem',
        'words' => 'Znów otrzymujesz wiadomości od {business}.',
    ],
    'busy' => [
        'title' => 'Chwileczkę',
        'form' => 'Jest tu teraz bardzo duży ruch i Twojego zgłoszenia nie udało się jeszcze przyjąć. Wszystko wciąż tu jest.',
        'form_again' => 'Za kilka sekund wyśle się samo jeszcze raz.',
        'form_or' => 'Albo naciśnij przycisk.',
        'send' => 'Wyślij ponownie',
        'words' => 'Jest tu teraz bardzo duży ruch. Ta strona otworzy się sama za kilka sekund.',
        'again' => 'Spróbuj ponownie',
        'stored' => 'Nie można teraz niczego zapisać: baza danych jest zajęta albo dysk jest pełny. To, co wpisano, zostaje tutaj i '
            .'wyśle się samo ponownie.',
    ],
    'to' => [
        'first_page' => 'Do pierwszej strony',
        'now' => 'Zobacz aktualną ofertę',
        'other_times' => 'Zobacz inne terminy',
        'again' => 'Spróbuj ponownie',
        'on' => 'Dalej',
    ],
];
