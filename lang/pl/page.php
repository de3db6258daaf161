<?php

declare(strict_types=1);

return [
    'close' => 'Zamknij',
    'menu' => 'Menu',
    'time_is_up' => 'Czas minął.',
    'time_is_up_short' => 'Czas minął',
    'watch' => 'Obejrzyj film',
    'share' => 'Udostępnij',
    'copy' => 'Kopiuj link',
    'copied' => 'Skopiowano',
    'email' => 'E-mailem',
];
