<?php

declare(strict_types=1);

return [
    'link' => [
        'subject' => 'Su nuevo enlace de descarga',
        'here' => 'aquí tiene un nuevo enlace a «{file}»:',
        'here_unnamed' => 'aquí tiene un nuevo enlace a su descarga:',
        'not_you' => 'Lo ha pedido en nuestra página. Si no ha sido usted, no tiene que hacer nada.',
    ],
    'session' => [
        'room' => 'Su enlace a la sala',
        'place' => [
            'subject' => 'Tiene una plaza: {webinar}',
            'words' => 'Ha quedado libre una plaza y es suya: «{webinar}», {moment}.',
            'cannot' => '¿Al final no puede venir? <link>Elija otra fecha o ceda su plaza a otra persona</link>.',
        ],
        'moved' => [
            'words' => '«{webinar}» cambia de fecha: {moment}. Conserva su plaza.',
            'cannot' => '¿No le va bien? <link>Elija otra fecha</link>.',
        ],
        'cancelled' => [
            'words' => 'Lo sentimos: «{webinar}» no se celebra en la fecha que había elegido.',
        ],
        'again' => [
            'subject' => 'Ya tiene una plaza: {webinar}',
            'words' => 'Alguien, esperamos que usted, acaba de inscribirle en «{webinar}». Ya tiene una plaza allí: {moment}.',
        ],
    ],
    'receipt' => [
        'purchase' => [
            'subject' => 'Su recibo: {what}',
            'words' => 'Gracias. Aquí tiene su recibo, número {number}:',
        ],
        'payment' => [
            'words' => 'Su pago ha llegado. Recibo número {number}:',
        ],
        'refund' => [
            'words' => 'Su dinero va de vuelta a usted. Número {number}:',
        ],
        'open' => 'Abrir lo que ha comprado',
        'about' => 'Ese enlace es solo suyo: abre sin contraseña todo lo que ha comprado, sus recibos y la tarjeta de un pago a plazos. '
            .'<link>Recibo en PDF</link>.',
    ],
    'trouble' => [
        'subject' => 'Un pago le necesita',
        'bank' => 'el próximo pago de «{what}», {amount}, le espera: su banco quiere que lo apruebe.',
        'approve' => 'Aprobarlo en su banco',
        'again' => 'Lo intentaremos de nuevo el {day}. Si prefiere otra tarjeta, escríbala aquí y se paga enseguida:',
    ],
];
