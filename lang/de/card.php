<?php

declare(strict_types=1);

return [
    'number' => 'Kartennummer',
    'until' => 'Gültig bis',
    'code' => 'Prüfnummer',
    'fields' => 'Kartennummer · gültig bis · Prüfnummer',
    'wrong_until' => 'Monat und Jahr, zum Beispiel 08/31.',
    'wrong_code' => 'Drei Ziffern.',
    'failed' => 'Die Zahlung hat nicht geklappt.',
    'failed_uncharged' => 'Die Zahlung hat nicht geklappt. Es wurde nichts abgebucht.',
    'uncharged' => 'Es wurde nichts abgebucht.',
    'declined' => 'Deine Bank hat diese Karte abgelehnt. Bitte versuche es mit einer anderen.',
    'no_funds' => 'Auf dieser Karte ist nicht genug Guthaben. Bitte versuche es mit einer anderen.',
    'expired' => 'Diese Karte ist abgelaufen. Bitte versuche es mit einer anderen.',
    'bank_refused' => 'Die Zahlung wurde bei deiner Bank nicht freigegeben. Es wurde nichts abgebucht.',
    'bank_abandoned' => 'Die Zahlung wurde bei deiner Bank nicht rechtzeitig freigegeben. Es wurde nichts abgebucht.',
    'unknown' => 'Diese Karte ist nicht mehr bekannt. Bitte gib sie noch einmal ein.',
    'practice' => 'Übungszahlung: Es fließt kein Geld. Nimm eine Übungskarte, zum Beispiel {number}.',
    'practice_only' => 'Übungszahlungen gehen nur mit Übungskarten, zum Beispiel {number}. Bitte nie eine echte eingeben.',
    'bank' => [
        'title' => 'Übungsbank',
        'nothing' => 'Hier gibt es nichts freizugeben',
        'nothing_words' => 'Bitte geh zurück zu der Seite, von der du kommst.',
        'decided' => 'Das ist schon entschieden',
        'back' => 'Zurück',
        'question' => 'Gibst du diese Zahlung frei?',
        'amount' => '<b>{amount}</b> an {business}',
        'approve' => 'Freigeben',
        'refuse' => 'Ablehnen',
        'practice' => 'Das steht hier anstelle der Seite deiner Bank. Es fließt kein Geld.',
    ],
];
