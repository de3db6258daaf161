<?php

declare(strict_types=1);

return [
    'declined' => 'Uw bank heeft deze kaart geweigerd. Probeer een andere.',
    'bank_refused' => 'De betaling is bij uw bank niet goedgekeurd. Er is niets afgeschreven.',
    'bank_abandoned' => 'De betaling is niet op tijd bij uw bank goedgekeurd. Er is niets afgeschreven.',
    'unknown' => 'Deze kaart is niet meer bekend. Vult u hem opnieuw in.',
    'bank' => [
        'nothing_words' => 'Gaat u terug naar de pagina waar u vandaan komt.',
        'question' => 'Keurt u deze betaling goed?',
    ],
];
