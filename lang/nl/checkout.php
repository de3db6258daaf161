<?php

declare(strict_types=1);

return [
    'amount' => 'Je bedrag, in {currency}',
    'name' => 'Naam op de bon',
    'code_question' => 'Ik heb een code',
    'code' => 'Code',
    'use' => 'Gebruiken',
    'update' => 'Totaal bijwerken',
    'no_script' => 'De kaartvelden hebben JavaScript nodig, dat in je browser uitstaat. Wat je hebt ingevuld gaat niet verloren: sta '
        .'het voor deze pagina toe en laad haar opnieuw.',
    'add' => 'Ja, {product} erbij.',
    'pay' => 'Nu betalen',
    'off' => 'Code {code} ({what})',
    'off_own' => 'Je eigen code ({what})',
    'tax' => 'Belasting ({rate, number, ::percent .##})',
    'tax_included' => 'Inbegrepen belasting ({rate, number, ::percent .##})',
    'total' => 'Totaal',
    'due' => 'Nu te betalen',
    'too_long' => 'Dit is te lang: hoogstens {most, plural, one {# teken} other {# tekens}}.',
    'no_email' => 'Waar mag de bon heen?',
    'changed' => 'Deze pagina is veranderd sinds je haar opende. Bekijk haar nog een keer voordat je betaalt.',
    'price_changed' => 'De prijs is veranderd sinds je deze pagina opende: hij is nu {price}, en er is niets afgeschreven. Bekijk alles '
        .'nog een keer voordat je betaalt.',
    'no_amount' => 'Hoeveel wil je betalen?',
    'least' => 'Het laagste bedrag is {amount}.',
    'no_such_amount' => 'Een bedrag schrijf je in cijfers, bijvoorbeeld {example}.',
    'decimals' => 'Een bedrag in {currency} heeft {decimals, plural, =0 {geen decimalen} one {hoogstens # decimaal} other {hoogstens # '
        .'decimalen}}, bijvoorbeeld {example}.',
    'too_much' => 'Dit bedrag is te hoog.',
    'no_card' => 'Vul je kaart in. De velden hebben JavaScript nodig, dat in je browser uitstaat of geblokkeerd is.',
    'look_again' => 'Bekijk je bestelling nog een keer.',
    'old_uncharged' => 'Deze pagina stond lang open. Er is niets afgeschreven: druk nog een keer op de knop.',
    'card_silent' => 'De kaartvelden hebben niet geantwoord. Er is niets afgeschreven: laad de pagina opnieuw.',
    'sum_later' => 'Het totaal kon nu niet worden berekend. Het staat op de volgende pagina, voordat er iets wordt afgeschreven.',
];
