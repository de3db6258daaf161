<?php

declare(strict_types=1);

return [
    'optional' => '(nieobowiązkowe)',
    'choose' => 'Wybierz',
    'empty' => 'Zostaw to pole puste',
    'email' => 'Adres e-mail',
    'consent' => 'Zaznacz pole, jeśli się zgadzasz.',
    'tick' => 'Zaznacz to pole.',
    'choose_one' => 'Wybierz: {label}.',
    'missing' => 'Wypełnij: {label}.',
    'too_long' => '{label}: to jest za długie, najwyżej {most, plural, one {# znak} few {# znaki} many {# znaków} other {# znaku}}.',
    'phone' => 'Numer telefonu składa się z cyfr, ewentualnie z plusem na początku.',
    'no_choice' => 'Wybierz jedną z odpowiedzi: {label}.',
    'no_choices' => 'Wybierz spośród odpowiedzi: {label}.',
    'no_day' => '{label}: nie ma takiego dnia. Zapisz go tak: 2027-03-31.',
    'no_number' => '{label}: potrzebna jest liczba, na przykład 1234,5.',
    'no_email' => 'Wpisz swój adres e-mail.',
    'wrong_email' => 'To nie wygląda na adres e-mail. Sprawdź, czy nie ma w nim błędu.',
    'elsewhere' => 'Witamy. Twoje odpowiedzi przyszły z Tobą: naciśnij przycisk jeszcze raz i gotowe.',
    'old' => 'Ta strona była długo otwarta. Twoje odpowiedzi wciąż tu są: naciśnij przycisk jeszcze raz.',
    'old_short' => 'Ta strona była długo otwarta. Naciśnij przycisk jeszcze raz.',
    'old_or_closed' => 'Ta strona była długo otwarta albo formularz został w tym czasie zamknięty. Wczytaj stronę ponownie.',
    'fast' => 'Poszło bardzo szybko, jakby formularz wypełnił program. Jeśli jesteś człowiekiem, naciśnij przycisk jeszcze raz.',
    'not_open' => 'Ten formularz nie jest teraz otwarty.',
    'flood' => 'W ostatnich minutach z Twojego łącza przyszło bardzo wiele zgłoszeń. Spróbuj ponownie za dziesięć minut.',
    'begin_again' => 'Zacznij od nowa: wcześniejsze odpowiedzi nie są już znane.',
    'trouble' => 'To się nie udało. Spróbuj ponownie za chwilę.',
    'trouble_kept' => 'To się nie udało. Spróbuj ponownie za chwilę: Twoje odpowiedzi wciąż tu są.',
    'close' => 'Zamknij',
];
