<?php

declare(strict_types=1);

return [
    'words' => 'Todo lo que ha comprado a {business}. Guarde el enlace a esta página: no necesita contraseña.',
    'approve' => 'Aprobarlo en su banco',
    'no_script' => 'Los campos de la tarjeta necesitan JavaScript, que está desactivado en su navegador.',
    'no_new_card' => 'Escriba los datos de la tarjeta nueva.',
    'thanks' => 'Gracias por su pedido',
    'your_order' => 'Su pedido',
    'summary' => 'Pagado: {amount}. Pedido {number}. El recibo llega a {email}, y su enlace abre todo lo que ha comprado.',
    'by_receipt' => 'Lo que ha comprado se abre con el enlace de su recibo.',
];
