<?php

declare(strict_types=1);

return [
    'number' => 'Número de tarjeta',
    'until' => 'Válida hasta',
    'code' => 'Código de seguridad',
    'fields' => 'Número de tarjeta · caducidad · código de seguridad',
    'wrong_until' => 'Mes y año, por ejemplo 08/31.',
    'wrong_code' => 'Tres cifras.',
    'failed' => 'El pago no se ha realizado.',
    'failed_uncharged' => 'El pago no se ha realizado. No se ha cobrado nada.',
    'uncharged' => 'No se ha cobrado nada.',
    'declined' => 'Tu banco ha rechazado esta tarjeta. Prueba con otra.',
    'no_funds' => 'No hay saldo suficiente en esta tarjeta. Prueba con otra.',
    'expired' => 'Esta tarjeta ha caducado. Prueba con otra.',
    'bank_refused' => 'El pago no se ha aprobado en tu banco. No se ha cobrado nada.',
    'bank_abandoned' => 'El pago no se ha aprobado a tiempo en tu banco. No se ha cobrado nada.',
    'unknown' => 'Ya no conocemos esta tarjeta. Escríbela de nuevo.',
    'practice' => 'Pago de prueba: no se mueve dinero. Usa una tarjeta de prueba, por ejemplo {number}.',
    'practice_only' => 'Los pagos de prueba solo admiten tarjetas de prueba, por ejemplo {number}. No escribas nunca una real.',
    'bank' => [
        'title' => 'Banco de prueba',
        'nothing' => 'Aquí no hay nada que aprobar',
        'nothing_words' => 'Vuelve a la página de la que vienes.',
        'decided' => 'Esto ya está decidido',
        'back' => 'Volver',
        'question' => '¿Apruebas este pago?',
        'amount' => '<b>{amount}</b> a {business}',
        'approve' => 'Aprobar',
        'refuse' => 'Rechazar',
        'practice' => 'Esto ocupa el lugar de la página del banco. No se mueve dinero.',
    ],
];
