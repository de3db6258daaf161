<?php

declare(strict_types=1);

return [
    'close' => 'Chiudi',
    'menu' => 'Menu',
    'time_is_up' => 'Il tempo è scaduto.',
    'time_is_up_short' => 'Il tempo è scaduto',
    'watch' => 'Guarda il video',
    'share' => 'Condividi',
    'copy' => 'Copia il link',
    'copied' => 'Copiato',
    'email' => 'Via email',
];
