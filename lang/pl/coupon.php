<?php

declare(strict_types=1);

return [
    'percent' => '{percent, number, ::percent} zniżki',
    'amount' => '{amount} zniżki',
    'not_yet' => 'Ten kod jeszcze nie obowiązuje.',
    'over' => 'Ten kod stracił ważność.',
    'other' => 'Ten kod jest na coś innego.',
    'used_up' => 'Tego kodu użyto już tyle razy, ile można.',
    'used_by_you' => 'Ten kod masz już za sobą.',
    'used' => 'Tego kodu już użyto.',
    'none' => 'Nie ma takiego kodu. Sprawdź, czy nie ma w nim błędu, albo zostaw pole puste.',
];
