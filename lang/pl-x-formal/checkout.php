<?php

declare(strict_types=1);

return [
    'amount' => 'Państwa kwota, w {currency}',
    'no_script' => 'Pola karty wymagają JavaScriptu, który jest wyłączony w Państwa przeglądarce. Nic z tego, co wpisano, nie '
        .'przepadnie: prosimy zezwolić na niego na tej stronie i wczytać ją ponownie.',
    'off_own' => 'Państwa własny kod ({what})',
    'changed' => 'Ta strona zmieniła się od czasu otwarcia. Prosimy przejrzeć ją jeszcze raz przed zapłatą.',
    'price_changed' => 'Cena zmieniła się od czasu otwarcia tej strony: wynosi teraz {price}, a niczego nie pobrano. Prosimy przejrzeć '
        .'wszystko jeszcze raz przed zapłatą.',
    'no_amount' => 'Ile chcą Państwo zapłacić?',
    'no_card' => 'Prosimy wpisać kartę. Jej pola wymagają JavaScriptu, który jest wyłączony lub zablokowany w Państwa przeglądarce.',
    'look_again' => 'Prosimy przejrzeć zamówienie jeszcze raz.',
    'old_uncharged' => 'Ta strona była długo otwarta. Niczego nie pobrano: prosimy nacisnąć przycisk jeszcze raz.',
    'card_silent' => 'Pola karty nie odpowiedziały. Niczego nie pobrano: prosimy wczytać stronę ponownie.',
];
