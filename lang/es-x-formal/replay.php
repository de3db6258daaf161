<?php

declare(strict_types=1);

return [
    'members' => 'La repetición es para quienes se inscribieron. Ábrala con el enlace de nuestro correo o <link>inscríbase aquí</link>.',
    'soon' => 'La repetición aún no está lista. Vuelva a mirar dentro de un rato.',
    'not_yours' => 'La repetición no está abierta para usted.',
];
