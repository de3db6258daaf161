<?php

declare(strict_types=1);

return [
    'amount' => 'Tu importe, en {currency}',
    'name' => 'Nombre en el recibo',
    'code_question' => 'Tengo un código',
    'code' => 'Código',
    'use' => 'Aplicar',
    'update' => 'Actualizar el total',
    'no_script' => 'Los campos de la tarjeta necesitan JavaScript, que está desactivado en tu navegador. No se pierde nada de lo que '
        .'has escrito: permítelo en esta página y cárgala de nuevo.',
    'add' => 'Sí, añadir {product}.',
    'pay' => 'Pagar ahora',
    'off' => 'Código {code} ({what})',
    'off_own' => 'Tu propio código ({what})',
    'tax' => 'Impuesto ({rate, number, ::percent .##})',
    'tax_included' => 'Impuesto incluido ({rate, number, ::percent .##})',
    'total' => 'Total',
    'due' => 'A pagar ahora',
    'too_long' => 'Es demasiado largo: {most, plural, one {# carácter} many {# caracteres} other {# caracteres}} como máximo.',
    'no_email' => '¿Adónde enviamos el recibo?',
    'changed' => 'Esta página ha cambiado desde que la abriste. Revísala otra vez antes de pagar.',
    'price_changed' => 'El precio ha cambiado desde que abriste esta página: ahora es {price}, y no se ha cobrado nada. Revísalo todo '
        .'otra vez antes de pagar.',
    'no_amount' => '¿Cuánto quieres pagar?',
    'least' => 'El importe mínimo es {amount}.',
    'no_such_amount' => 'Un importe se escribe con cifras, por ejemplo {example}.',
    'decimals' => 'Un importe en {currency} tiene {decimals, plural, =0 {cero decimales} one {# decimal como máximo} many {# decimales '
        .'como máximo} other {# decimales como máximo}}, por ejemplo {example}.',
    'too_much' => 'Este importe es demasiado alto.',
    'no_card' => 'Escribe los datos de tu tarjeta. Sus campos necesitan JavaScript, que está desactivado o bloqueado en tu navegador.',
    'look_again' => 'Revisa tu pedido otra vez.',
    'old_uncharged' => 'Esta página ha estado abierta mucho tiempo. No se ha cobrado nada: pulsa el botón una vez más.',
    'card_silent' => 'Los campos de la tarjeta no han respondido. No se ha cobrado nada: carga la página de nuevo.',
    'sum_later' => 'Ahora mismo no se ha podido calcular el total. Aparece en la página siguiente, antes de cobrar nada.',
];
