<?php

declare(strict_types=1);

return [
    'not_here' => [
        'title' => 'No hay ninguna página en esta dirección',
        'words' => 'Comprueba que el enlace no tenga errores o pregunta a quien te lo dio.',
    ],
    'closed' => [
        'title' => 'Esta oferta está cerrada por ahora',
        'words' => 'Gracias por pasar. Las inscripciones están cerradas en este momento y no se ha guardado nada.',
    ],
    'not_open_yet' => [
        'title' => 'Todavía no está abierto',
        'words' => 'Gracias por pasar. Se abre: {moment}.',
    ],
    'preview_over' => [
        'title' => 'Esta vista previa ha caducado',
        'words' => 'Los enlaces a una vista previa valen dos semanas. Pide uno nuevo a quien te lo envió.',
    ],
    'too_many' => [
        'title' => 'Un momento, por favor',
        'words' => 'Ha habido muchísimas inscripciones desde tu conexión en los últimos minutos. La tuya está bien: vuelve atrás y '
            .'pulsa el botón de nuevo en diez minutos.',
    ],
    'too_many_payments' => [
        'title' => 'Un momento, por favor',
        'words' => 'Ha habido muchísimos intentos de pago desde tu conexión en los últimos minutos. Con este no se ha cobrado nada: '
            .'vuelve atrás y pulsa el botón de nuevo en diez minutos.',
    ],
    'session_gone' => [
        'title' => 'Esta fecha ya no se puede elegir',
        'words' => 'Ha empezado, ha pasado o se ha cancelado entretanto. Conservas la fecha que tenías.',
    ],
    'time_is_up' => [
        'title' => 'El plazo para esto ha terminado',
        'words' => 'Lo que había aquí estaba abierto para ti por tiempo limitado, y ese tiempo ha pasado.',
    ],
    'go_on' => [
        'title' => 'Gracias',
        'words' => 'Ya está. Lo que has pedido va de camino.',
    ],
    'starts_now' => [
        'title' => 'Tu plazo empieza cuando sigas adelante',
        'words' => 'Lo que abre este enlace está a tu disposición por tiempo limitado. Empieza cuando pulses el botón, y no antes, para '
            .'que ningún programa que revise tus correos lo ponga en marcha por ti.',
        'button' => 'Seguir y empezar mi plazo',
    ],
    'paying_now' => [
        'title' => 'Un momento: tu pago va de camino',
        'words' => 'Tu banco aún no nos ha respondido. Esta página lo comprueba sola cada pocos segundos y te lleva adelante. También '
            .'puedes cerrarla: el recibo llega por correo y no se cobra nada dos veces.',
    ],
    'not_paid' => [
        'title' => 'El pago no se ha realizado',
    ],
    'link_not_yours' => [
        'title' => 'Este enlace no abre nada',
        'words' => 'Ábrelo de nuevo desde tu recibo: allí está completo.',
    ],
    'access_paused' => [
        'title' => 'El acceso está en pausa',
        'words' => 'Hay un pago pendiente. En cuanto se pague, todo se abre de nuevo. El enlace de tu recibo y el del correo sobre el '
            .'pago llevan adonde puedes resolverlo.',
    ],
    'access_ended' => [
        'title' => 'Esto ya no está abierto para ti',
        'words' => 'El acceso ha terminado, por ejemplo tras un reembolso. Si es un error, escribe a quien te lo vendió.',
    ],
    'for_buyers' => [
        'title' => 'Esta página es para quienes lo han comprado',
        'words' => 'Ábrela con el enlace de tu recibo. Sabe quién eres.',
    ],
    'link_over' => [
        'title' => 'Este enlace de descarga ha caducado',
        'words' => 'Los enlaces de descarga valen solo un tiempo. Dinos tu correo electrónico y te llegará uno nuevo.',
        'button' => 'Enviarme un enlace nuevo',
    ],
    'link_on_its_way' => [
        'title' => 'Mira tu bandeja de entrada',
        'words' => 'Si conocemos esta dirección, un enlace nuevo va de camino y llegará en uno o dos minutos.',
    ],
    'file_gone' => [
        'title' => 'Este archivo ya no está disponible',
        'words' => 'Quien lo ofrecía ha retirado la descarga.',
    ],
    'leave' => [
        'title' => '¿Darte de baja?',
        'words' => 'No recibirás más correos de {business}.',
        'less' => '¿Bastaría con recibir menos, o prefieres que {business} no te escriba más?',
        'button' => 'Sí, darme de baja',
        'no_news' => 'Solo lo que pedí, sin novedades',
        'no_series' => 'Esta serie no, pero sí novedades de vez en cuando',
        'quiet' => 'Nada durante un mes',
    ],
    'left' => [
        'title' => 'Te has dado de baja',
        'words' => 'No recibirás más correos de {business}. Gracias por haberlos leído.',
        'mistake' => '¿Lo pulsaste sin querer?',
        'back' => 'Deshacer',
    ],
    'less_often' => [
        'title' => 'Recibirás menos',
        'words' => '{business} ya no te enviará correos de este tipo.',
    ],
    'quiet' => [
        'title' => 'Un mes de calma',
        'words' => '{business} no volverá a escribirte hasta dentro de treinta días.',
    ],
    'subscribed_again' => [
        'title' => 'Como antes',
        'words' => 'Vuelves a recibir los correos de {business}.',
    ],
    'busy' => [
        'title' => 'Un momento, por favor',
        'form' => 'Ahora mismo hay muchísimo movimiento y lo que has enviado aún no se ha podido recoger. Sigue todo aquí.',
        'form_again' => 'Se enviará solo de nuevo en unos segundos.',
        'form_or' => 'O pulsa el botón.',
        'send' => 'Enviar de nuevo',
        'words' => 'Ahora mismo hay muchísimo movimiento. Esta página se abre sola en unos segundos.',
        'again' => 'Intentar de nuevo',
        'stored' => 'Ahora mismo no se puede guardar nada: la base de datos está ocupada o el disco está lleno. Lo que has escrito se '
            .'queda aquí y se enviará solo de nuevo.',
    ],
    'to' => [
        'first_page' => 'A la primera página',
        'now' => 'Ver la oferta actual',
        'other_times' => 'Ver las otras fechas',
        'again' => 'Intentar de nuevo',
        'on' => 'Seguir',
    ],
];
