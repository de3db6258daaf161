<?php

declare(strict_types=1);

return [
    'hello' => 'Hola {name}:',
    'there' => 'y buen día',
    'hello_nobody' => 'Hola:',
    'unsubscribe' => 'Darse de baja o recibir menos',
    'unsubscribe_at' => 'Darse de baja: {address}',
    'no_subject' => '(sin asunto)',
    'link' => [
        'subject' => 'Tu nuevo enlace de descarga',
        'here' => 'aquí tienes un nuevo enlace a «{file}»:',
        'here_unnamed' => 'aquí tienes un nuevo enlace a tu descarga:',
        'download' => 'Descargar ahora',
        'not_you' => 'Lo has pedido en nuestra página. Si no has sido tú, no tienes que hacer nada.',
    ],
    'session' => [
        'room' => 'Tu enlace a la sala',
        'calendar' => 'Añadir al calendario',
        'choose' => 'Elegir otra fecha',
        'place' => [
            'subject' => 'Tienes una plaza: {webinar}',
            'words' => 'Ha quedado libre una plaza y es tuya: «{webinar}», {moment}.',
            'cannot' => '¿Al final no puedes venir? <link>Elige otra fecha o cede tu plaza a otra persona</link>.',
        ],
        'moved' => [
            'subject' => 'Nueva fecha: {webinar}',
            'words' => '«{webinar}» cambia de fecha: {moment}. Conservas tu plaza.',
            'calendar' => 'Actualizar el calendario',
            'cannot' => '¿No te va bien? <link>Elige otra fecha</link>.',
        ],
        'cancelled' => [
            'subject' => 'Cancelado: {webinar}',
            'words' => 'Lo sentimos: «{webinar}» no se celebra en la fecha que habías elegido.',
            'calendar' => 'Quitar del calendario',
        ],
        'again' => [
            'subject' => 'Ya tienes una plaza: {webinar}',
            'words' => 'Alguien, esperamos que tú, acaba de inscribirte en «{webinar}». Ya tienes una plaza allí: {moment}.',
        ],
    ],
    'receipt' => [
        'purchase' => [
            'subject' => 'Tu recibo: {what}',
            'words' => 'Gracias. Aquí tienes tu recibo, número {number}:',
        ],
        'payment' => [
            'subject' => 'Pago recibido: {what}',
            'words' => 'Tu pago ha llegado. Recibo número {number}:',
        ],
        'refund' => [
            'subject' => 'Reembolso: {what}',
            'words' => 'Tu dinero va de vuelta a ti. Número {number}:',
        ],
        'line' => '{name}: {amount}',
        'line_off' => '{name}: {amount} ({discount} de descuento)',
        'total' => 'Total: {amount}',
        'paid' => 'Pagado: {amount}',
        'tax' => '{tax} incluido: {amount}',
        'later' => 'Pendiente, se cobrará a la misma tarjeta:',
        'payment_on' => '{day}: {amount}',
        'open' => 'Abrir lo que has comprado',
        'about' => 'Ese enlace es solo tuyo: abre sin contraseña todo lo que has comprado, tus recibos y la tarjeta de un pago a '
            .'plazos. <link>Recibo en PDF</link>.',
    ],
    'trouble' => [
        'subject' => 'Un pago te necesita',
        'bank' => 'el próximo pago de «{what}», {amount}, te espera: tu banco quiere que lo apruebes.',
        'approve' => 'Aprobarlo en tu banco',
        'failed' => 'el próximo pago de «{what}», {amount}, no se ha realizado. {why}',
        'again' => 'Lo intentaremos de nuevo el {day}. Si prefieres otra tarjeta, escríbela aquí y se paga enseguida:',
        'given_up' => 'hemos intentado varias veces cobrar el pago de {amount} por «{what}», sin éxito. Hasta que se pague, el acceso '
            .'queda en pausa.',
        'card' => 'Usar otra tarjeta',
    ],
];
