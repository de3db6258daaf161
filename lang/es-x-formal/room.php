<?php

declare(strict_types=1);

return [
    'members' => 'Esta sala es para quienes se inscribieron. Ábrala con el enlace de nuestro correo o <link>inscríbase aquí</link>.',
    'go_on' => 'Puede seguir donde lo dejó.',
    'cancelled' => 'Esta sesión no se celebra. El enlace de su correo lleva a las otras fechas.',
    'waiting' => 'No quedan plazas. En cuanto haya una libre, le avisamos por correo.',
    'crowded' => 'Este enlace ya está abierto en otros dispositivos. Ciérrelo en uno de ellos y esta página seguirá sola.',
    'mine' => '(su respuesta)',
    'lost' => 'No ha funcionado. Su texto sigue aquí.',
    'offline' => 'Ahora mismo no hay conexión. Su texto sigue aquí: envíelo de nuevo.',
    'no_stream' => 'Aquí no se muestra imagen. Puede preguntar más abajo.',
    'no_question' => 'Escriba primero su pregunta.',
    'long_question' => 'Una pregunta tiene {most, plural, one {# carácter} many {# caracteres} other {# caracteres}} como máximo. '
        .'Acórtela; todavía no se ha perdido nada.',
    'many_questions' => 'Son muchas preguntas a la vez. Espere un minuto.',
];
