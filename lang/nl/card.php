<?php

declare(strict_types=1);

return [
    'number' => 'Kaartnummer',
    'until' => 'Geldig tot',
    'code' => 'Beveiligingscode',
    'fields' => 'Kaartnummer · geldig tot · beveiligingscode',
    'wrong_until' => 'Maand en jaar, bijvoorbeeld 08/31.',
    'wrong_code' => 'Drie cijfers.',
    'failed' => 'De betaling is niet gelukt.',
    'failed_uncharged' => 'De betaling is niet gelukt. Er is niets afgeschreven.',
    'uncharged' => 'Er is niets afgeschreven.',
    'declined' => 'Je bank heeft deze kaart geweigerd. Probeer een andere.',
    'no_funds' => 'Er staat niet genoeg geld op deze kaart. Probeer een andere.',
    'expired' => 'Deze kaart is verlopen. Probeer een andere.',
    'bank_refused' => 'De betaling is bij je bank niet goedgekeurd. Er is niets afgeschreven.',
    'bank_abandoned' => 'De betaling is niet op tijd bij je bank goedgekeurd. Er is niets afgeschreven.',
    'unknown' => 'Deze kaart is niet meer bekend. Vul hem opnieuw in.',
    'practice' => 'Oefenbetaling: er gaat geen geld om. Gebruik een oefenkaart, bijvoorbeeld {number}.',
    'practice_only' => 'Oefenbetalingen werken alleen met oefenkaarten, bijvoorbeeld {number}. Vul nooit een echte in.',
    'bank' => [
        'title' => 'Oefenbank',
        'nothing' => 'Hier is niets goed te keuren',
        'nothing_words' => 'Ga terug naar de pagina waar je vandaan komt.',
        'decided' => 'Dit is al beslist',
        'back' => 'Terug',
        'question' => 'Keur je deze betaling goed?',
        'amount' => '<b>{amount}</b> aan {business}',
        'approve' => 'Goedkeuren',
        'refuse' => 'Weigeren',
        'practice' => 'Dit staat in voor de pagina van de bank. Er gaat geen geld om.',
    ],
];
