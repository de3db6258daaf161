<?php

declare(strict_types=1);

return [
    'close' => 'Sluiten',
    'menu' => 'Menu',
    'time_is_up' => 'De tijd is om.',
    'time_is_up_short' => 'De tijd is om',
    'watch' => 'Bekijk de video',
    'share' => 'Delen',
    'copy' => 'Link kopiëren',
    'copied' => 'Gekopieerd',
    'email' => 'Per e-mail',
];
