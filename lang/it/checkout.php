<?php

declare(strict_types=1);

return [
    'amount' => 'Il tuo importo, in {currency}',
    'name' => 'Nome sulla ricevuta',
    'code_question' => 'Ho un codice',
    'code' => 'Codice',
    'use' => 'Applica',
    'update' => 'Aggiorna il totale',
    'no_script' => 'I campi della carta hanno bisogno di JavaScript, che nel tuo browser è disattivato. Ciò che hai scritto non va '
        .'perso: consentilo per questa pagina e ricaricala.',
    'add' => 'Sì, aggiungi {product}.',
    'pay' => 'Paga ora',
    'off' => 'Codice {code} ({what})',
    'off_own' => 'Il tuo codice ({what})',
    'tax' => 'Imposta ({rate, number, ::percent .##})',
    'tax_included' => 'Imposta inclusa ({rate, number, ::percent .##})',
    'total' => 'Totale',
    'due' => 'Da pagare ora',
    'too_long' => 'È troppo lungo: al massimo {most, plural, one {# carattere} many {# caratteri} other {# caratteri}}.',
    'no_email' => 'Dove mandiamo la ricevuta?',
    'changed' => 'Questa pagina è cambiata da quando l’hai aperta. Rileggila prima di pagare.',
    'price_changed' => 'Il prezzo è cambiato da quando hai aperto questa pagina: ora è {price}, e non è stato addebitato nulla. Rileggi '
        .'tutto prima di pagare.',
    'no_amount' => 'Quanto vuoi pagare?',
    'least' => 'L’importo minimo è {amount}.',
    'no_such_amount' => 'Un importo si scrive in cifre, per esempio {example}.',
    'decimals' => 'Un importo in {currency} ha {decimals, plural, =0 {zero decimali} one {al massimo # decimale} many {al massimo # '
        .'decimali} other {al massimo # decimali}}, per esempio {example}.',
    'too_much' => 'Questo importo è troppo alto.',
    'no_card' => 'Inserisci la tua carta. I suoi campi hanno bisogno di JavaScript, che nel tuo browser è disattivato o bloccato.',
    'look_again' => 'Rileggi il tuo ordine ancora una volta.',
    'old_uncharged' => 'Questa pagina è rimasta aperta a lungo. Non è stato addebitato nulla: premi il pulsante ancora una volta.',
    'card_silent' => 'I campi della carta non hanno risposto. Non è stato addebitato nulla: ricarica la pagina.',
    'sum_later' => 'In questo momento non è stato possibile calcolare il totale. Lo trovi nella pagina successiva, prima di qualsiasi '
        .'addebito.',
];
