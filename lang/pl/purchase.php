<?php

declare(strict_types=1);

return [
    'title' => 'Moje zakupy',
    'words' => 'Wszystko, co masz od {business}. Zachowaj link do tej strony: nie potrzebuje hasła.',
    'none' => 'Nic tu jeszcze nie ma.',
    'open' => 'Otwórz',
    'download' => 'Pobierz {file}',
    'active' => 'Otwarte',
    'paused' => 'Wstrzymane',
    'ended' => 'Zakończone',
    'order' => 'Zamówienie {number}',
    'order_of' => 'Zamówienie {number}, {day}',
    'line' => '{name}: {amount}',
    'line_returned' => '{name}: {amount} (zwrócono)',
    'paid' => 'Zapłacono {amount}.',
    'paid_refunded' => 'Zapłacono {amount}, zwrócono {refunded}.',
    'card' => 'Karta o końcówce {ends}',
    'receipt' => '{kind} {number} (PDF)',
    'to_pay' => 'Pozostało do zapłaty',
    'payment' => '{day}: {amount}',
    'payment_failed' => 'nie udało się',
    'approve' => 'Zatwierdź w banku',
    'other_card' => 'Użyj innej karty',
    'no_script' => 'Pola karty wymagają JavaScriptu, który jest wyłączony w Twojej przeglądarce.',
    'use_and_pay' => 'Użyj tej karty i zapłać zaległości',
    'use' => 'Użyj tej karty',
    'no_new_card' => 'Wpisz nową kartę.',
    'new_card' => 'Dziękujemy. Nowa karta jest zapisana.',
    'thanks' => 'Dziękujemy za zamówienie',
    'your_order' => 'Twoje zamówienie',
    'summary' => 'Zapłacono: {amount}. Zamówienie {number}. Potwierdzenie przyjdzie na {email}, a link w nim otwiera wszystkie Twoje '
        .'zakupy.',
    'by_receipt' => 'Twoje zakupy otwiera link z potwierdzenia.',
];
