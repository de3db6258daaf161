<?php

declare(strict_types=1);

return [
    'declined' => 'Ihre Bank hat diese Karte abgelehnt. Bitte versuchen Sie es mit einer anderen.',
    'no_funds' => 'Auf dieser Karte ist nicht genug Guthaben. Bitte versuchen Sie es mit einer anderen.',
    'expired' => 'Diese Karte ist abgelaufen. Bitte versuchen Sie es mit einer anderen.',
    'bank_refused' => 'Die Zahlung wurde bei Ihrer Bank nicht freigegeben. Es wurde nichts abgebucht.',
    'bank_abandoned' => 'Die Zahlung wurde bei Ihrer Bank nicht rechtzeitig freigegeben. Es wurde nichts abgebucht.',
    'unknown' => 'Diese Karte ist nicht mehr bekannt. Bitte geben Sie sie noch einmal ein.',
    'practice' => 'Übungszahlung: Es fließt kein Geld. Nehmen Sie eine Übungskarte, zum Beispiel {number}.',
    'bank' => [
        'nothing_words' => 'Bitte gehen Sie zurück zu der Seite, von der Sie kommen.',
        'question' => 'Geben Sie diese Zahlung frei?',
        'practice' => 'Das steht hier anstelle der Seite Ihrer Bank. Es fließt kein Geld.',
    ],
];
