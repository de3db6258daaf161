<?php

declare(strict_types=1);

return [
    'read' => 'Leerla ahora',
    'contents' => 'Índice',
    'previous' => 'Página anterior',
    'next' => 'Página siguiente',
    'page' => 'Página {number} de {count}',
    'time' => '{minutes, plural, one {# minuto} many {# minutos} other {# minutos}} de lectura',
    'progress' => 'Hasta dónde has llegado',
    'save' => 'Guardar como PDF',
    'answer' => 'Tu respuesta',
    'kept' => 'Guardado para ti',
    'not_kept' => 'Aún sin guardar',
    'offline' => 'Ahora mismo no hay conexión. Lo que has escrito se queda aquí hasta que la haya.',
    'locked' => 'El resto es tuyo cuando te apuntes',
    'locked_words' => 'Estas primeras páginas están abiertas a todos. Dime adónde te envío la guía y podrás seguir leyendo '
        .'enseguida.',
    'locked_to' => 'Quiero la guía entera',
];
