<?php

declare(strict_types=1);

return [
    'percent' => '{percent, number, ::percent} di sconto',
    'amount' => '{amount} di sconto',
    'not_yet' => 'Questo codice non è ancora valido.',
    'over' => 'Questo codice è scaduto.',
    'other' => 'Questo codice vale per altro.',
    'used_up' => 'Questo codice è già stato usato tutte le volte possibili.',
    'used_by_you' => 'Hai già usato questo codice.',
    'used' => 'Questo codice è già stato usato.',
    'none' => 'Questo codice non esiste. Controlla che sia senza errori o lascia il campo vuoto.',
];
