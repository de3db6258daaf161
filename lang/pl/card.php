<?php

declare(strict_types=1);

return [
    'number' => 'Numer karty',
    'until' => 'Ważna do',
    'code' => 'Kod zabezpieczający',
    'fields' => 'Numer karty · data ważności · kod zabezpieczający',
    'wrong_until' => 'Miesiąc i rok, na przykład 08/31.',
    'wrong_code' => 'Trzy cyfry.',
    'failed' => 'Płatność się nie udała.',
    'failed_uncharged' => 'Płatność się nie udała. Niczego nie pobrano.',
    'uncharged' => 'Niczego nie pobrano.',
    'declined' => 'Twój bank odrzucił tę kartę. Spróbuj innej.',
    'no_funds' => 'Na tej karcie nie ma dość środków. Spróbuj innej.',
    'expired' => 'Ta karta straciła ważność. Spróbuj innej.',
    'bank_refused' => 'Płatność nie została zatwierdzona w Twoim banku. Niczego nie pobrano.',
    'bank_abandoned' => 'Płatność nie została na czas zatwierdzona w Twoim banku. Niczego nie pobrano.',
    'unknown' => 'Ta karta nie jest już znana. Wpisz ją ponownie.',
    'practice' => 'Płatność próbna: żadne pieniądze nie płyną. Użyj karty próbnej, na przykład {number}.',
    'practice_only' => 'Płatności próbne przyjmują tylko karty próbne, na przykład {number}. Nigdy nie wpisuj prawdziwej.',
    'bank' => [
        'title' => 'Bank próbny',
        'nothing' => 'Nie ma tu nic do zatwierdzenia',
        'nothing_words' => 'Wróć na stronę, z której przychodzisz.',
        'decided' => 'To już rozstrzygnięte',
        'back' => 'Wróć',
        'question' => 'Czy zatwierdzasz tę płatność?',
        'amount' => '<b>{amount}</b> dla {business}',
        'approve' => 'Zatwierdź',
        'refuse' => 'Odrzuć',
        'practice' => 'To zastępuje stronę banku. Żadne pieniądze nie płyną.',
    ],
];
