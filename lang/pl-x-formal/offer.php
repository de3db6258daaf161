<?php

declare(strict_types=1);

return [
    'on_sale' => [
        'words' => 'Mogą to Państwo teraz kupić.',
    ],
    'sold_out' => [
        'words' => 'Ktoś zajął ostatnie miejsce przed Państwem. Niczego nie pobrano.',
    ],
    'already_bought' => [
        'title' => 'Mają to już Państwo',
        'words' => 'Kupiono to już z tym adresem. Niczego nie pobrano. Link w potwierdzeniu otwiera wszystko, co Państwa.',
    ],
    'time_ran_out' => [
        'words' => 'Była dla Państwa otwarta przez ograniczony czas, który już minął, na każdym urządzeniu i przez każdy link. Niczego '
            .'nie pobrano.',
    ],
    'time_not_begun' => [
        'title' => 'Ta oferta nie jest jeszcze dla Państwa otwarta',
        'words' => 'Otwiera się dla osób, które na nią zaproszono. Prosimy wejść linkiem z wiadomości. Niczego nie pobrano.',
    ],
    'other_currency' => 'Tę ofertę sprzedaje się w innej walucie niż Państwa zamówienie.',
    'no_card' => 'Nie ma karty, z której można pobrać: Państwa zamówienie było bezpłatne. Można to kupić na osobnej stronie.',
    'one_click' => 'Pobierane z Państwa karty jednym kliknięciem.',
    'one_click_card' => 'Pobierane jednym kliknięciem z Państwa karty o końcówce {ends}.',
    'order_stands' => '{why} Za tę ofertę niczego nie pobrano, a Państwa zamówienie pozostaje bez zmian.',
];
