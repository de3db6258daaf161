<?php

declare(strict_types=1);

return [
    'amount' => 'Twoja kwota, w {currency}',
    'name' => 'Nazwisko na potwierdzeniu',
    'code_question' => 'Mam kod',
    'code' => 'Kod',
    'use' => 'Użyj',
    'update' => 'Przelicz sumę',
    'no_script' => 'Pola karty wymagają JavaScriptu, który jest wyłączony w Twojej przeglądarce. Nic z tego, co wpisano, nie '
        .'przepadnie: zezwól na niego na tej stronie i wczytaj ją ponownie.',
    'add' => 'Tak, dodaj {product}.',
    'pay' => 'Zapłać teraz',
    'off' => 'Kod {code} ({what})',
    'off_own' => 'Twój własny kod ({what})',
    'tax' => 'Podatek ({rate, number, ::percent .##})',
    'tax_included' => 'W tym podatek ({rate, number, ::percent .##})',
    'total' => 'Razem',
    'due' => 'Do zapłaty teraz',
    'too_long' => 'To jest za długie: najwyżej {most, plural, one {# znak} few {# znaki} many {# znaków} other {# znaku}}.',
    'no_email' => 'Dokąd wysłać potwierdzenie?',
    'changed' => 'Ta strona zmieniła się od czasu otwarcia. Przejrzyj ją jeszcze raz przed zapłatą.',
    'price_changed' => 'Cena zmieniła się od czasu otwarcia tej strony: wynosi teraz {price}, a niczego nie pobrano. Przejrzyj wszystko '
        .'jeszcze raz przed zapłatą.',
    'no_amount' => 'Ile chcesz zapłacić?',
    'least' => 'Najmniejsza kwota to {amount}.',
    'no_such_amount' => 'Kwotę zapisuje się cyframi, na przykład {example}.',
    'decimals' => 'Kwota w {currency} ma {decimals, plural, =0 {zero miejsc po przecinku} one {najwyżej # miejsce po przecinku} few '
        .'{najwyżej # miejsca po przecinku} many {najwyżej # miejsc po przecinku} other {najwyżej # miejsca po przecinku}}, na przykład '
        .'{example}.',
    'too_much' => 'Ta kwota jest za duża.',
    'no_card' => 'Wpisz swoją kartę. Jej pola wymagają JavaScriptu, który jest wyłączony lub zablokowany w Twojej przeglądarce.',
    'look_again' => 'Przejrzyj zamówienie jeszcze raz.',
    'old_uncharged' => 'Ta strona była długo otwarta. Niczego nie pobrano: naciśnij przycisk jeszcze raz.',
    'card_silent' => 'Pola karty nie odpowiedziały. Niczego nie pobrano: wczytaj stronę ponownie.',
    'sum_later' => 'Nie udało się teraz obliczyć sumy. Pojawi się na następnej stronie, zanim cokolwiek zostanie pobrane.',
];
