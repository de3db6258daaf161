<?php

declare(strict_types=1);

return [
    'title' => 'La repetición: {webinar}',
    'members' => 'La repetición es para quienes se inscribieron. Ábrela con el enlace de nuestro correo o <link>inscríbete aquí</link>.',
    'soon' => 'La repetición aún no está lista. Vuelve a mirar dentro de un rato.',
    'opens' => 'La repetición se abre: {moment}.',
    'over' => 'La repetición ha terminado: estuvo abierta por tiempo limitado.',
    'not_yours' => 'La repetición no está abierta para ti.',
];
