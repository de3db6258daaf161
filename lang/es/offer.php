<?php

declare(strict_types=1);

return [
    'on_sale' => [
        'title' => 'Ya se puede comprar',
        'words' => 'Puedes comprarlo ahora.',
    ],
    'not_yet' => [
        'title' => 'Todavía no está abierto',
        'words' => 'Aún no está a la venta. No se ha cobrado nada.',
    ],
    'over' => [
        'title' => 'Esta oferta ha terminado',
        'words' => 'Ya no está a la venta. No se ha cobrado nada.',
    ],
    'sold_out' => [
        'title' => 'No quedan plazas',
        'words' => 'Alguien se llevó la última plaza antes que tú. No se ha cobrado nada.',
    ],
    'already_bought' => [
        'title' => 'Ya lo tienes',
        'words' => 'Ya se compró con esta dirección. No se ha cobrado nada. El enlace de tu recibo abre todo lo que es tuyo.',
    ],
    'time_ran_out' => [
        'title' => 'El plazo de esta oferta ha terminado',
        'words' => 'Estaba abierta para ti por tiempo limitado, y ese tiempo ha pasado, en todos los dispositivos y con cualquier '
            .'enlace. No se ha cobrado nada.',
    ],
    'time_not_begun' => [
        'title' => 'Esta oferta aún no está abierta para ti',
        'words' => 'Se abre para quienes recibieron una invitación. Entra con el enlace de tu correo. No se ha cobrado nada.',
    ],
    'of' => '{name}: {why}',
    'gone' => 'Esta oferta ya no existe. No se ha cobrado nada.',
    'other_currency' => 'Esta oferta se vende en otra moneda que tu pedido.',
    'no_card' => 'No hay tarjeta a la que cobrar: tu pedido fue gratuito. Cómprala en su propia página.',
    'join' => 'Ver cómo participar',
    'buyers_only' => 'Esto es para quienes acaban de comprar.',
    'one_click' => 'Se cobra a tu tarjeta con un clic.',
    'one_click_card' => 'Se cobra a tu tarjeta terminada en {ends} con un clic.',
    'order_stands' => '{why} No se ha cobrado nada por esta oferta y tu pedido sigue como estaba.',
];
