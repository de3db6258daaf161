<?php

declare(strict_types=1);

return [
    'hello' => 'Ciao {name},',
    'there' => 'e buongiorno',
    'hello_nobody' => 'Ciao,',
    'unsubscribe' => 'Annulla l’iscrizione o ricevi di meno',
    'unsubscribe_at' => 'Annulla l’iscrizione: {address}',
    'no_subject' => '(senza oggetto)',
    'link' => [
        'subject' => 'Il tuo nuovo link per scaricare',
        'here' => 'ecco un nuovo link a «{file}»:',
        'here_unnamed' => 'ecco un nuovo link per il tuo file:',
        'download' => 'Scarica ora',
        'not_you' => 'Lo hai chiesto sulla nostra pagina. Se non sei stato tu, non devi fare nulla.',
    ],
    'session' => [
        'room' => 'Il tuo link per la sala',
        'calendar' => 'Aggiungi al calendario',
        'choose' => 'Scegli un’altra data',
        'place' => [
            'subject' => 'Hai un posto: {webinar}',
            'words' => 'Si è liberato un posto ed è tuo: «{webinar}», {moment}.',
            'cannot' => 'Alla fine non puoi venire? <link>Scegli un’altra data o lascia il posto a qualcun altro</link>.',
        ],
        'moved' => [
            'subject' => 'Nuova data: {webinar}',
            'words' => '«{webinar}» si tiene in un’altra data: {moment}. Il tuo posto resta tuo.',
            'calendar' => 'Aggiorna il calendario',
            'cannot' => 'Non ti va bene? <link>Scegli un’altra data</link>.',
        ],
        'cancelled' => [
            'subject' => 'Annullato: {webinar}',
            'words' => 'Ci dispiace: «{webinar}» non si tiene nella data che avevi scelto.',
            'calendar' => 'Togli dal calendario',
        ],
        'again' => [
            'subject' => 'Hai già un posto: {webinar}',
            'words' => 'Qualcuno, speriamo tu, ti ha appena iscritto a «{webinar}». Hai già un posto lì: {moment}.',
        ],
    ],
    'receipt' => [
        'purchase' => [
            'subject' => 'La tua ricevuta: {what}',
            'words' => 'Grazie. Ecco la tua ricevuta, numero {number}:',
        ],
        'payment' => [
            'subject' => 'Pagamento ricevuto: {what}',
            'words' => 'Il tuo pagamento è arrivato. Ricevuta numero {number}:',
        ],
        'refund' => [
            'subject' => 'Rimborso: {what}',
            'words' => 'Il tuo denaro sta tornando da te. Numero {number}:',
        ],
        'line' => '{name}: {amount}',
        'line_off' => '{name}: {amount} ({discount} di sconto)',
        'total' => 'Totale: {amount}',
        'paid' => 'Pagato: {amount}',
        'tax' => 'Di cui {tax}: {amount}',
        'later' => 'Ancora da pagare, addebitato sulla stessa carta:',
        'payment_on' => '{day}: {amount}',
        'open' => 'Apri ciò che hai comprato',
        'about' => 'Questo link è solo tuo: apre senza password tutto ciò che hai comprato, le ricevute e la carta di un pagamento a '
            .'rate. <link>Ricevuta in PDF</link>.',
    ],
    'trouble' => [
        'subject' => 'Un pagamento ha bisogno di te',
        'bank' => 'il prossimo pagamento per «{what}», {amount}, ti aspetta: la tua banca vuole che tu lo approvi.',
        'approve' => 'Approvalo presso la tua banca',
        'failed' => 'il prossimo pagamento per «{what}», {amount}, non è riuscito. {why}',
        'again' => 'Riproviamo il {day}. Se preferisci un’altra carta, inseriscila qui e il pagamento avviene subito:',
        'given_up' => 'abbiamo provato più volte ad addebitare il pagamento di {amount} per «{what}», senza riuscirci. Finché non è '
            .'pagato, l’accesso è sospeso.',
        'card' => 'Usa un’altra carta',
    ],
];
