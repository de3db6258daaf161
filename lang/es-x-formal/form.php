<?php

declare(strict_types=1);

return [
    'choose' => 'Elija una opción',
    'empty' => 'Deje este campo vacío',
    'consent' => 'Marque la casilla si está de acuerdo.',
    'tick' => 'Marque esta casilla.',
    'choose_one' => 'Elija: {label}.',
    'missing' => 'Rellene: {label}.',
    'phone' => 'Un número de teléfono tiene cifras y, si quiere, un signo más al principio.',
    'no_choice' => 'Elija una de las respuestas: {label}.',
    'no_choices' => 'Elija entre las respuestas: {label}.',
    'no_day' => '{label}: ese día no existe. Escríbalo así: 2027-03-31.',
    'no_email' => 'Escriba su correo electrónico.',
    'wrong_email' => 'Esto no parece una dirección de correo. Compruebe que no tenga errores.',
    'elsewhere' => 'Le damos la bienvenida. Sus respuestas han venido con usted: pulse el botón una vez más y listo.',
    'old' => 'Esta página ha estado abierta mucho tiempo. Sus respuestas siguen aquí: pulse el botón una vez más.',
    'old_short' => 'Esta página ha estado abierta mucho tiempo. Pulse el botón una vez más.',
    'old_or_closed' => 'Esta página ha estado abierta mucho tiempo, o el formulario se ha cerrado entretanto. Cargue la página de nuevo.',
    'fast' => 'Ha sido muy rápido, como si un programa hubiera rellenado el formulario. Si es usted una persona, pulse el botón una vez '
        .'más.',
    'flood' => 'Ha habido muchísimas inscripciones desde su conexión en los últimos minutos. Inténtelo de nuevo en diez minutos.',
    'begin_again' => 'Empiece de nuevo: ya no conservamos lo que había rellenado.',
    'trouble' => 'No ha funcionado. Inténtelo de nuevo en un momento.',
    'trouble_kept' => 'No ha funcionado. Inténtelo de nuevo en un momento: sus respuestas siguen aquí.',
];
