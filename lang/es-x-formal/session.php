<?php

declare(strict_types=1);

return [
    'choose' => 'Elija su fecha',
    'none' => 'En este momento no hay ninguna fecha. Deje su dirección y le avisamos de la próxima.',
    'any_time' => 'Cuando quiera',
    'full' => 'Completo. Elija esta fecha para entrar en la lista de espera.',
    'known' => 'Le conocemos por nuestros correos: no hay nada que rellenar.',
    'gone' => 'Esta fecha ya no se puede elegir. Elija otra.',
    'at_once' => 'Empieza cuando quiera.',
    'room' => 'A su sala',
    'yours' => 'El enlace a su sala es solo suyo y funciona en todos sus dispositivos. También está en su bandeja de entrada.',
    'share' => '¿Debería venir alguien más? Pásele este enlace:',
    'waiting' => 'No quedan plazas. Está en la lista de espera: en cuanto haya una libre, es suya y le avisamos por correo.',
    'called_off_choose' => 'Esta sesión se ha cancelado. Puede elegir otra fecha.',
    'cancelled' => 'Su plaza está cancelada.',
    'cancelled_choose' => 'Su plaza está cancelada. Puede elegir otra fecha.',
    'over' => 'La sesión que había elegido ha pasado.',
    'list' => 'Todavía no hay próxima fecha. Le avisamos por correo y entonces podrá elegir.',
    'inbox' => 'Mire su bandeja de entrada: ahí están su fecha y su enlace a la sala.',
    'not_here' => 'En este navegador no consta su inscripción. <link>Inscríbase aquí</link> o abra su enlace desde nuestro correo.',
    'other' => '¿Le va mejor otra fecha?',
];
