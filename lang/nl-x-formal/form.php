<?php

declare(strict_types=1);

return [
    'consent' => 'Zet het vinkje als u akkoord gaat.',
    'no_email' => 'Vul uw e-mailadres in.',
    'elsewhere' => 'Welkom. Uw antwoorden zijn meegekomen: druk nog een keer op de knop, en het is klaar.',
    'old' => 'Deze pagina stond lang open. Uw antwoorden zijn er nog: druk nog een keer op de knop.',
    'fast' => 'Dat ging erg snel, alsof een programma het formulier invulde. Bent u een mens, druk dan nog een keer op de knop.',
    'flood' => 'Er kwamen de laatste minuten heel veel aanmeldingen via uw verbinding. Probeer het over tien minuten nog eens.',
    'begin_again' => 'Begin opnieuw: wat u eerder invulde is niet meer bekend.',
    'trouble_kept' => 'Dat is niet gelukt. Probeer het zo nog eens: uw antwoorden zijn er nog.',
];
