<?php

declare(strict_types=1);

return [
    'percent' => '{percent, number, ::percent} de descuento',
    'amount' => '{amount} de descuento',
    'not_yet' => 'Este código todavía no es válido.',
    'over' => 'Este código ha caducado.',
    'other' => 'Este código es para otra cosa.',
    'used_up' => 'Este código ya se ha usado todas las veces posibles.',
    'used_by_you' => 'Ya has usado este código.',
    'used' => 'Este código ya se ha usado.',
    'none' => 'No existe ese código. Comprueba que no tenga errores o deja el campo vacío.',
];
