<?php

declare(strict_types=1);

return [
    'close' => 'Cerrar',
    'menu' => 'Menú',
    'time_is_up' => 'El plazo ha terminado.',
    'time_is_up_short' => 'El plazo ha terminado',
    'watch' => 'Ver el vídeo',
    'share' => 'Compartir',
    'copy' => 'Copiar enlace',
    'copied' => 'Copiado',
    'email' => 'Por correo',
    'preview' => 'Vista previa de un borrador. Nada de lo que se haga aquí se guarda.',
    'copy_no_buy' => 'Esta copia de la página no está conectada a ningún sitio, así que aquí no se puede comprar nada.',
    'copy_no_form' => 'Esta copia de la página no está conectada a ningún sitio, así que el formulario no se puede enviar.',
    'to_checkout' => 'Ir al pago',
];
