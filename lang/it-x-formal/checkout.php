<?php

declare(strict_types=1);

return [
    'amount' => 'Il Suo importo, in {currency}',
    'no_script' => 'I campi della carta hanno bisogno di JavaScript, che nel Suo browser è disattivato. Ciò che ha scritto non va '
        .'perso: lo consenta per questa pagina e la ricarichi.',
    'add' => 'Sì, aggiungere {product}.',
    'pay' => 'Pagare ora',
    'off_own' => 'Il Suo codice ({what})',
    'changed' => 'Questa pagina è cambiata da quando l’ha aperta. La rilegga prima di pagare.',
    'price_changed' => 'Il prezzo è cambiato da quando ha aperto questa pagina: ora è {price}, e non è stato addebitato nulla. Rilegga '
        .'tutto prima di pagare.',
    'no_amount' => 'Quanto vuole pagare?',
    'no_card' => 'Inserisca la Sua carta. I suoi campi hanno bisogno di JavaScript, che nel Suo browser è disattivato o bloccato.',
    'look_again' => 'Rilegga il Suo ordine ancora una volta.',
    'old_uncharged' => 'Questa pagina è rimasta aperta a lungo. Non è stato addebitato nulla: prema il pulsante ancora una volta.',
    'card_silent' => 'I campi della carta non hanno risposto. Non è stato addebitato nulla: ricarichi la pagina.',
];
