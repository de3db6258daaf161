<?php

declare(strict_types=1);

return [
    'download' => 'Pobierz',
    'ask' => 'Podaj, dokąd to wysłać',
];
