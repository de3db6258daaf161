<?php

declare(strict_types=1);

return [
    'close' => 'Cerrar',
    'menu' => 'Menú',
    'time_is_up' => 'El plazo ha terminado.',
    'time_is_up_short' => 'El plazo ha terminado',
    'watch' => 'Ver el vídeo',
    'share' => 'Compartir',
    'copy' => 'Copiar enlace',
    'copied' => 'Copiado',
    'email' => 'Por correo',
];
