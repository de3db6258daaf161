<?php

declare(strict_types=1);

return [
    'declined' => 'Su banco ha rechazado esta tarjeta. Pruebe con otra.',
    'no_funds' => 'No hay saldo suficiente en esta tarjeta. Pruebe con otra.',
    'expired' => 'Esta tarjeta ha caducado. Pruebe con otra.',
    'bank_refused' => 'El pago no se ha aprobado en su banco. No se ha cobrado nada.',
    'bank_abandoned' => 'El pago no se ha aprobado a tiempo en su banco. No se ha cobrado nada.',
    'unknown' => 'Ya no conocemos esta tarjeta. Escríbala de nuevo.',
    'practice' => 'Pago de prueba: no se mueve dinero. Use una tarjeta de prueba, por ejemplo {number}.',
    'practice_only' => 'Los pagos de prueba solo admiten tarjetas de prueba, por ejemplo {number}. No escriba nunca una real.',
    'bank' => [
        'nothing_words' => 'Vuelva a la página de la que viene.',
        'question' => '¿Aprueba este pago?',
    ],
];
