<?php

declare(strict_types=1);

return [
    'not_here' => [
        'words' => 'Compruebe que el enlace no tenga errores o pregunte a quien se lo dio.',
    ],
    'preview_over' => [
        'words' => 'Los enlaces a una vista previa valen dos semanas. Pida uno nuevo a quien se lo envió.',
    ],
    'too_many' => [
        'words' => 'Ha habido muchísimas inscripciones desde su conexión en los últimos minutos. La suya está bien: vuelva atrás y '
            .'pulse el botón de nuevo en diez minutos.',
    ],
    'too_many_payments' => [
        'words' => 'Ha habido muchísimos intentos de pago desde su conexión en los últimos minutos. Con este no se ha cobrado nada: '
            .'vuelva atrás y pulse el botón de nuevo en diez minutos.',
    ],
    'session_gone' => [
        'words' => 'Ha empezado, ha pasado o se ha cancelado entretanto. Conserva la fecha que tenía.',
    ],
    'time_is_up' => [
        'words' => 'Lo que había aquí estaba abierto para usted por tiempo limitado, y ese tiempo ha pasado.',
    ],
    'go_on' => [
        'words' => 'Ya está. Lo que ha pedido va de camino.',
    ],
    'starts_now' => [
        'title' => 'Su plazo empieza cuando siga adelante',
        'words' => 'Lo que abre este enlace está a su disposición por tiempo limitado. Empieza cuando pulse el botón, y no antes, para '
            .'que ningún programa que revise sus correos lo ponga en marcha por usted.',
    ],
    'paying_now' => [
        'title' => 'Un momento: su pago va de camino',
        'words' => 'Su banco aún no nos ha respondido. Esta página lo comprueba sola cada pocos segundos y le lleva adelante. También '
            .'puede cerrarla: el recibo llega por correo y no se cobra nada dos veces.',
    ],
    'link_not_yours' => [
        'words' => 'Ábralo de nuevo desde su recibo: allí está completo.',
    ],
    'access_paused' => [
        'words' => 'Hay un pago pendiente. En cuanto se pague, todo se abre de nuevo. El enlace de su recibo y el del correo sobre el '
            .'pago llevan adonde puede resolverlo.',
    ],
    'access_ended' => [
        'title' => 'Esto ya no está abierto para usted',
        'words' => 'El acceso ha terminado, por ejemplo tras un reembolso. Si es un error, escriba a quien se lo vendió.',
    ],
    'for_buyers' => [
        'words' => 'Ábrala con el enlace de su recibo. Sabe quién es usted.',
    ],
    'link_over' => [
        'words' => 'Los enlaces de descarga valen solo un tiempo. Díganos su correo electrónico y le llegará uno nuevo.',
    ],
    'link_on_its_way' => [
        'title' => 'Mire su bandeja de entrada',
    ],
    'leave' => [
        'title' => '¿Darse de baja?',
        'less' => '¿Bastaría con recibir menos, o prefiere que {business} no le escriba más?',
    ],
    'left' => [
        'title' => 'Se ha dado de baja',
        'mistake' => '¿Lo pulsó sin querer?',
    ],
    'less_often' => [
        'words' => '{business} ya no le enviará correos de este tipo.',
    ],
    'quiet' => [
        'words' => '{business} no volverá a escribirle hasta dentro de treinta días.',
    ],
    'subscribed_again' => [
        'words' => 'Vuelve a recibir los correos de {business}.',
    ],
    'busy' => [
        'form' => 'Ahora mismo hay muchísimo movimiento y lo que ha enviado aún no se ha podido recoger. Sigue todo aquí.',
        'form_or' => 'O pulse el botón.',
        'stored' => 'Ahora mismo no se puede guardar nada: la base de datos está ocupada o el disco está lleno. Lo que ha escrito se '
            .'queda aquí y se enviará solo de nuevo.',
    ],
];
