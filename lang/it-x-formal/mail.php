<?php

declare(strict_types=1);

return [
    'hello' => 'Buongiorno {name},',
    'there' => 'e benvenuti',
    'hello_nobody' => 'Buongiorno,',
    'unsubscribe' => 'Annulli l’iscrizione o riceva di meno',
    'link' => [
        'subject' => 'Il Suo nuovo link per scaricare',
        'here_unnamed' => 'ecco un nuovo link per il Suo file:',
        'download' => 'Scaricare ora',
        'not_you' => 'Lo ha chiesto sulla nostra pagina. Se non è stato Lei, non deve fare nulla.',
    ],
    'session' => [
        'room' => 'Il Suo link per la sala',
        'calendar' => 'Aggiungere al calendario',
        'choose' => 'Scegliere un’altra data',
        'place' => [
            'subject' => 'Ha un posto: {webinar}',
            'words' => 'Si è liberato un posto ed è Suo: «{webinar}», {moment}.',
            'cannot' => 'Alla fine non può venire? <link>Scelga un’altra data o lasci il posto a qualcun altro</link>.',
        ],
        'moved' => [
            'words' => '«{webinar}» si tiene in un’altra data: {moment}. Il Suo posto resta Suo.',
            'cannot' => 'Non Le va bene? <link>Scelga un’altra data</link>.',
        ],
        'cancelled' => [
            'words' => 'Ci dispiace: «{webinar}» non si tiene nella data che aveva scelto.',
        ],
        'again' => [
            'subject' => 'Ha già un posto: {webinar}',
            'words' => 'Qualcuno, speriamo Lei, ha appena registrato la Sua iscrizione a «{webinar}». Ha già un posto lì: {moment}.',
        ],
    ],
    'receipt' => [
        'purchase' => [
            'subject' => 'La Sua ricevuta: {what}',
            'words' => 'Grazie. Ecco la Sua ricevuta, numero {number}:',
        ],
        'payment' => [
            'words' => 'Il Suo pagamento è arrivato. Ricevuta numero {number}:',
        ],
        'refund' => [
            'words' => 'Il Suo denaro sta tornando da Lei. Numero {number}:',
        ],
        'open' => 'Aprire ciò che ha comprato',
        'about' => 'Questo link è solo Suo: apre senza password tutto ciò che ha comprato, le ricevute e la carta di un pagamento a '
            .'rate. <link>Ricevuta in PDF</link>.',
    ],
    'trouble' => [
        'subject' => 'Un pagamento ha bisogno di Lei',
        'bank' => 'il prossimo pagamento per «{what}», {amount}, La aspetta: la Sua banca vuole che Lei lo approvi.',
        'approve' => 'Approvarlo presso la Sua banca',
        'again' => 'Riproviamo il {day}. Se preferisce un’altra carta, la inserisca qui e il pagamento avviene subito:',
        'card' => 'Usare un’altra carta',
    ],
];
