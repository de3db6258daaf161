<?php

declare(strict_types=1);

return [
    'optional' => '(niet verplicht)',
    'choose' => 'Maak een keuze',
    'empty' => 'Laat dit veld leeg',
    'email' => 'E-mailadres',
    'consent' => 'Zet het vinkje als je akkoord gaat.',
    'tick' => 'Zet dit vinkje.',
    'choose_one' => 'Kies: {label}.',
    'missing' => 'Vul in: {label}.',
    'too_long' => '{label} is te lang: hoogstens {most, plural, one {# teken} other {# tekens}}.',
    'phone' => 'Een telefoonnummer bestaat uit cijfers, eventueel met een plus ervoor.',
    'no_choice' => 'Kies een van de antwoorden: {label}.',
    'no_choices' => 'Kies uit de antwoorden: {label}.',
    'no_day' => '{label}: deze dag bestaat niet. Schrijf hem zo: 2027-03-31.',
    'no_number' => '{label}: vul een getal in, bijvoorbeeld 1234,5.',
    'no_email' => 'Vul je e-mailadres in.',
    'wrong_email' => 'Dit lijkt niet op een e-mailadres. Controleer het op tikfouten.',
    'elsewhere' => 'Welkom. Je antwoorden zijn meegekomen: druk nog een keer op de knop, en het is klaar.',
    'old' => 'Deze pagina stond lang open. Je antwoorden zijn er nog: druk nog een keer op de knop.',
    'old_short' => 'Deze pagina stond lang open. Druk nog een keer op de knop.',
    'old_or_closed' => 'Deze pagina stond lang open, of het formulier is intussen gesloten. Laad de pagina opnieuw.',
    'fast' => 'Dat ging erg snel, alsof een programma het formulier invulde. Ben je een mens, druk dan nog een keer op de knop.',
    'not_open' => 'Dit formulier is nu niet open.',
    'flood' => 'Er kwamen de laatste minuten heel veel aanmeldingen via jouw verbinding. Probeer het over tien minuten nog eens.',
    'begin_again' => 'Begin opnieuw: wat je eerder invulde is niet meer bekend.',
    'trouble' => 'Dat is niet gelukt. Probeer het zo nog eens.',
    'trouble_kept' => 'Dat is niet gelukt. Probeer het zo nog eens: je antwoorden zijn er nog.',
    'close' => 'Sluiten',
];
