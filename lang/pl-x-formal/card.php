<?php

declare(strict_types=1);

return [
    'declined' => 'Państwa bank odrzucił tę kartę. Prosimy spróbować innej.',
    'no_funds' => 'Na tej karcie nie ma dość środków. Prosimy spróbować innej.',
    'expired' => 'Ta karta straciła ważność. Prosimy spróbować innej.',
    'bank_refused' => 'Płatność nie została zatwierdzona w Państwa banku. Niczego nie pobrano.',
    'bank_abandoned' => 'Płatność nie została na czas zatwierdzona w Państwa banku. Niczego nie pobrano.',
    'unknown' => 'Ta karta nie jest już znana. Prosimy wpisać ją ponownie.',
    'practice' => 'Płatność próbna: żadne pieniądze nie płyną. Prosimy użyć karty próbnej, na przykład {number}.',
    'practice_only' => 'Płatności próbne przyjmują tylko karty próbne, na przykład {number}. Prosimy nigdy nie wpisywać prawdziwej.',
    'bank' => [
        'nothing_words' => 'Prosimy wrócić na poprzednią stronę.',
        'question' => 'Czy zatwierdzają Państwo tę płatność?',
    ],
];
