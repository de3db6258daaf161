<?php

declare(strict_types=1);

return [
    'on_sale' => [
        'words' => 'Può comprarlo ora.',
    ],
    'sold_out' => [
        'words' => 'Qualcuno ha preso l’ultimo posto prima di Lei. Non è stato addebitato nulla.',
    ],
    'already_bought' => [
        'title' => 'Lo ha già',
        'words' => 'È già stato comprato con questo indirizzo. Non è stato addebitato nulla. Il link nella Sua ricevuta apre tutto ciò '
            .'che è Suo.',
    ],
    'time_ran_out' => [
        'words' => 'Era aperta per Lei per un tempo limitato, che ora è finito, su ogni dispositivo e con qualsiasi link. Non è stato '
            .'addebitato nulla.',
    ],
    'time_not_begun' => [
        'title' => 'Per Lei questa offerta non è ancora aperta',
        'words' => 'Si apre a chi è stato invitato. Entri con il link nella Sua email. Non è stato addebitato nulla.',
    ],
    'other_currency' => 'Questa offerta si vende in una valuta diversa dal Suo ordine.',
    'no_card' => 'Non c’è una carta da addebitare: il Suo ordine era gratuito. La compri sulla sua pagina.',
    'join' => 'Vedere come partecipare',
    'one_click' => 'Addebitato sulla Sua carta, con un clic.',
    'one_click_card' => 'Addebitato sulla Sua carta che termina con {ends}, con un clic.',
    'order_stands' => '{why} Per questa offerta non è stato addebitato nulla e il Suo ordine resta com’era.',
];
