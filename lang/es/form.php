<?php

declare(strict_types=1);

return [
    'optional' => '(opcional)',
    'choose' => 'Elige una opción',
    'empty' => 'Deja este campo vacío',
    'email' => 'Correo electrónico',
    'consent' => 'Marca la casilla si estás de acuerdo.',
    'tick' => 'Marca esta casilla.',
    'choose_one' => 'Elige: {label}.',
    'missing' => 'Rellena: {label}.',
    'too_long' => '{label}: es demasiado largo, {most, plural, one {# carácter} many {# caracteres} other {# caracteres}} como máximo.',
    'phone' => 'Un número de teléfono tiene cifras y, si quieres, un signo más al principio.',
    'no_choice' => 'Elige una de las respuestas: {label}.',
    'no_choices' => 'Elige entre las respuestas: {label}.',
    'no_day' => '{label}: ese día no existe. Escríbelo así: 2027-03-31.',
    'no_number' => '{label}: hace falta un número, por ejemplo 1234,5.',
    'no_email' => 'Escribe tu correo electrónico.',
    'wrong_email' => 'Esto no parece una dirección de correo. Comprueba que no tenga errores.',
    'elsewhere' => 'Te damos la bienvenida. Tus respuestas han venido contigo: pulsa el botón una vez más y listo.',
    'old' => 'Esta página ha estado abierta mucho tiempo. Tus respuestas siguen aquí: pulsa el botón una vez más.',
    'old_short' => 'Esta página ha estado abierta mucho tiempo. Pulsa el botón una vez más.',
    'old_or_closed' => 'Esta página ha estado abierta mucho tiempo, o el formulario se ha cerrado entretanto. Carga la página de nuevo.',
    'fast' => 'Ha sido muy rápido, como si un programa hubiera rellenado el formulario. Si eres una persona, pulsa el botón una vez más.',
    'not_open' => 'Este formulario no está abierto en este momento.',
    'flood' => 'Ha habido muchísimas inscripciones desde tu conexión en los últimos minutos. Inténtalo de nuevo en diez minutos.',
    'begin_again' => 'Empieza de nuevo: ya no conservamos lo que habías rellenado.',
    'trouble' => 'No ha funcionado. Inténtalo de nuevo en un momento.',
    'trouble_kept' => 'No ha funcionado. Inténtalo de nuevo en un momento: tus respuestas siguen aquí.',
    'close' => 'Cerrar',
];
