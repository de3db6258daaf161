<?php

declare(strict_types=1);

return [
    'close' => 'Schließen',
    'menu' => 'Menü',
    'time_is_up' => 'Die Zeit ist abgelaufen.',
    'time_is_up_short' => 'Die Zeit ist abgelaufen',
    'watch' => 'Video ansehen',
    'share' => 'Teilen',
    'copy' => 'Link kopieren',
    'copied' => 'Kopiert',
    'email' => 'Per E-Mail',
];
