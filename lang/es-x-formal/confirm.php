<?php

declare(strict_types=1);

return [
    'title' => 'Un paso más: mire su bandeja de entrada',
    'text' => 'Le hemos enviado un correo breve. Pulse el botón que contiene y listo. Si en dos minutos no ha llegado, mire en la '
        .'carpeta de correo no deseado.',
    'subject' => 'Confirme, por favor: ¿es esta su dirección?',
    'body' => 'alguien, seguramente usted, ha pedido esto a {business}. Un clic y es suyo:',
    'not_you' => 'Si no ha sido usted, no tiene que hacer nada: sin ese clic no llegará nada más.',
    'just_sent' => 'Acaba de salir un correo. Espere un minuto, mire en la carpeta de correo no deseado y compruebe que la dirección no '
        .'tenga errores.',
    'over' => [
        'words' => 'Los enlaces para confirmar una dirección valen solo unos días. Pulse el botón y llegará uno nuevo.',
    ],
    'ask' => [
        'title' => '¿Es esta su dirección?',
    ],
];
