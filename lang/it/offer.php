<?php

declare(strict_types=1);

return [
    'on_sale' => [
        'title' => 'Si può comprare',
        'words' => 'Puoi comprarlo ora.',
    ],
    'not_yet' => [
        'title' => 'Non ancora aperto',
        'words' => 'Non è ancora in vendita. Non è stato addebitato nulla.',
    ],
    'over' => [
        'title' => 'Questa offerta è finita',
        'words' => 'Non è più in vendita. Non è stato addebitato nulla.',
    ],
    'sold_out' => [
        'title' => 'Tutti i posti sono occupati',
        'words' => 'Qualcuno ha preso l’ultimo posto prima di te. Non è stato addebitato nulla.',
    ],
    'already_bought' => [
        'title' => 'Lo hai già',
        'words' => 'È già stato comprato con questo indirizzo. Non è stato addebitato nulla. Il link nella tua ricevuta apre tutto ciò '
            .'che è tuo.',
    ],
    'time_ran_out' => [
        'title' => 'Il tempo per questa offerta è scaduto',
        'words' => 'Era aperta per te per un tempo limitato, che ora è finito, su ogni dispositivo e con qualsiasi link. Non è stato '
            .'addebitato nulla.',
    ],
    'time_not_begun' => [
        'title' => 'Per te questa offerta non è ancora aperta',
        'words' => 'Si apre a chi è stato invitato. Entra con il link nella tua email. Non è stato addebitato nulla.',
    ],
    'of' => '{name}: {why}',
    'gone' => 'Questa offerta non c’è più. Non è stato addebitato nulla.',
    'other_currency' => 'Questa offerta si vende in una valuta diversa dal tuo ordine.',
    'no_card' => 'Non c’è una carta da addebitare: il tuo ordine era gratuito. Comprala sulla sua pagina.',
    'join' => 'Vedi come partecipare',
    'buyers_only' => 'È per chi ha appena comprato.',
    'one_click' => 'Addebitato sulla tua carta, con un clic.',
    'one_click_card' => 'Addebitato sulla tua carta che termina con {ends}, con un clic.',
    'order_stands' => '{why} Per questa offerta non è stato addebitato nulla e il tuo ordine resta com’era.',
];
