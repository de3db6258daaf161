<?php

declare(strict_types=1);

return [
    'title' => 'Un paso más: mira tu bandeja de entrada',
    'text' => 'Te hemos enviado un correo breve. Pulsa el botón que contiene y listo. Si en dos minutos no ha llegado, mira en la '
        .'carpeta de correo no deseado.',
    'subject' => 'Confirma, por favor: ¿es esta tu dirección?',
    'body' => 'alguien, seguramente tú, ha pedido esto a {business}. Un clic y es tuyo:',
    'button' => 'Sí, es mi dirección',
    'not_you' => 'Si no has sido tú, no tienes que hacer nada: sin ese clic no llegará nada más.',
    'again' => 'Enviar de nuevo',
    'sent_again' => 'Lo hemos enviado otra vez. Vale el correo más reciente.',
    'just_sent' => 'Acaba de salir un correo. Espera un minuto, mira en la carpeta de correo no deseado y comprueba que la dirección no '
        .'tenga errores.',
    'done' => [
        'title' => 'Ya está hecho',
        'words' => 'Esta dirección ya está confirmada. Aquí no queda nada por hacer.',
    ],
    'over' => [
        'title' => 'Este enlace ha caducado',
        'words' => 'Los enlaces para confirmar una dirección valen solo unos días. Pulsa el botón y llegará uno nuevo.',
    ],
    'ask' => [
        'title' => '¿Es esta tu dirección?',
        'words' => 'Un clic y listo.',
    ],
];
