<?php

declare(strict_types=1);

return [
    'on_sale' => [
        'title' => 'Można to kupić',
        'words' => 'Możesz to teraz kupić.',
    ],
    'not_yet' => [
        'title' => 'Jeszcze nieotwarte',
        'words' => 'Sprzedaż jeszcze się nie zaczęła. Niczego nie pobrano.',
    ],
    'over' => [
        'title' => 'Ta oferta się skończyła',
        'words' => 'Nie jest już w sprzedaży. Niczego nie pobrano.',
    ],
    'sold_out' => [
        'title' => 'Wszystkie miejsca są zajęte',
        'words' => 'Ktoś zajął ostatnie miejsce przed Tobą. Niczego nie pobrano.',
    ],
    'already_bought' => [
        'title' => 'Masz to już',
        'words' => 'Kupiono to już z tym adresem. Niczego nie pobrano. Link w Twoim potwierdzeniu otwiera wszystko, co Twoje.',
    ],
    'time_ran_out' => [
        'title' => 'Czas tej oferty minął',
        'words' => 'Była dla Ciebie otwarta przez ograniczony czas, który już minął, na każdym urządzeniu i przez każdy link. Niczego '
            .'nie pobrano.',
    ],
    'time_not_begun' => [
        'title' => 'Ta oferta nie jest jeszcze dla Ciebie otwarta',
        'words' => 'Otwiera się dla osób, które na nią zaproszono. Wejdź linkiem ze swojej wiadomości. Niczego nie pobrano.',
    ],
    'of' => '{name}: {why}',
    'gone' => 'Tej oferty już nie ma. Niczego nie pobrano.',
    'other_currency' => 'Tę ofertę sprzedaje się w innej walucie niż Twoje zamówienie.',
    'no_card' => 'Nie ma karty, z której można pobrać: Twoje zamówienie było bezpłatne. Kup to na osobnej stronie.',
    'join' => 'Zobacz, jak dołączyć',
    'buyers_only' => 'To jest dla osób, które właśnie kupiły.',
    'one_click' => 'Pobierane z Twojej karty jednym kliknięciem.',
    'one_click_card' => 'Pobierane jednym kliknięciem z Twojej karty o końcówce {ends}.',
    'order_stands' => '{why} Za tę ofertę niczego nie pobrano, a Twoje zamówienie pozostaje bez zmian.',
];
