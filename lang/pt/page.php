<?php

declare(strict_types=1);

return [
    'close' => 'Fechar',
    'menu' => 'Menu',
    'time_is_up' => 'O prazo terminou.',
    'time_is_up_short' => 'O prazo terminou',
    'watch' => 'Ver o vídeo',
    'share' => 'Compartilhar',
    'copy' => 'Copiar link',
    'copied' => 'Copiado',
    'email' => 'Por e-mail',
];
