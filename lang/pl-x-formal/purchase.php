<?php

declare(strict_types=1);

return [
    'words' => 'Wszystko, co mają Państwo od {business}. Prosimy zachować link do tej strony: nie potrzebuje hasła.',
    'no_script' => 'Pola karty wymagają JavaScriptu, który jest wyłączony w Państwa przeglądarce.',
    'no_new_card' => 'Prosimy wpisać nową kartę.',
    'your_order' => 'Państwa zamówienie',
    'summary' => 'Zapłacono: {amount}. Zamówienie {number}. Potwierdzenie przyjdzie na {email}, a link w nim otwiera wszystkie Państwa '
        .'zakupy.',
    'by_receipt' => 'Państwa zakupy otwiera link z potwierdzenia.',
];
