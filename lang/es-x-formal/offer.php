<?php

declare(strict_types=1);

return [
    'on_sale' => [
        'words' => 'Puede comprarlo ahora.',
    ],
    'sold_out' => [
        'words' => 'Alguien se llevó la última plaza antes que usted. No se ha cobrado nada.',
    ],
    'already_bought' => [
        'title' => 'Ya lo tiene',
        'words' => 'Ya se compró con esta dirección. No se ha cobrado nada. El enlace de su recibo abre todo lo que es suyo.',
    ],
    'time_ran_out' => [
        'words' => 'Estaba abierta para usted por tiempo limitado, y ese tiempo ha pasado, en todos los dispositivos y con cualquier '
            .'enlace. No se ha cobrado nada.',
    ],
    'time_not_begun' => [
        'title' => 'Esta oferta aún no está abierta para usted',
        'words' => 'Se abre para quienes recibieron una invitación. Entre con el enlace de su correo. No se ha cobrado nada.',
    ],
    'other_currency' => 'Esta oferta se vende en otra moneda que su pedido.',
    'no_card' => 'No hay tarjeta a la que cobrar: su pedido fue gratuito. Cómprela en su propia página.',
    'one_click' => 'Se cobra a su tarjeta con un clic.',
    'one_click_card' => 'Se cobra a su tarjeta terminada en {ends} con un clic.',
    'order_stands' => '{why} No se ha cobrado nada por esta oferta y su pedido sigue como estaba.',
];
