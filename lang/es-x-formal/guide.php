<?php

declare(strict_types=1);

return [
    'progress' => 'Hasta dónde ha llegado',
    'answer' => 'Su respuesta',
    'kept' => 'Guardado para usted',
    'offline' => 'Ahora mismo no hay conexión. Lo que ha escrito se queda aquí hasta que la haya.',
    'locked' => 'El resto es suyo cuando se apunte',
    'locked_words' => 'Estas primeras páginas están abiertas a todos. Dígame adónde le envío la guía y podrá seguir '
        .'leyendo enseguida.',
];
