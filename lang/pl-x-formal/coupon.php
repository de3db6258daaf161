<?php

declare(strict_types=1);

return [
    'used_by_you' => 'Ten kod mają Państwo już za sobą.',
    'none' => 'Nie ma takiego kodu. Prosimy sprawdzić, czy nie ma w nim błędu, albo zostawić pole puste.',
];
