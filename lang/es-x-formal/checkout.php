<?php

declare(strict_types=1);

return [
    'amount' => 'Su importe, en {currency}',
    'no_script' => 'Los campos de la tarjeta necesitan JavaScript, que está desactivado en su navegador. No se pierde nada de lo que ha '
        .'escrito: permítalo en esta página y cárguela de nuevo.',
    'off_own' => 'Su propio código ({what})',
    'changed' => 'Esta página ha cambiado desde que la abrió. Revísela otra vez antes de pagar.',
    'price_changed' => 'El precio ha cambiado desde que abrió esta página: ahora es {price}, y no se ha cobrado nada. Revíselo todo '
        .'otra vez antes de pagar.',
    'no_amount' => '¿Cuánto quiere pagar?',
    'no_card' => 'Escriba los datos de su tarjeta. Sus campos necesitan JavaScript, que está desactivado o bloqueado en su navegador.',
    'look_again' => 'Revise su pedido otra vez.',
    'old_uncharged' => 'Esta página ha estado abierta mucho tiempo. No se ha cobrado nada: pulse el botón una vez más.',
    'card_silent' => 'Los campos de la tarjeta no han respondido. No se ha cobrado nada: cargue la página de nuevo.',
];
