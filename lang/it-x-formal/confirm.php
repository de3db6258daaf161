<?php

declare(strict_types=1);

return [
    'title' => 'Ancora un passo: guardi la Sua posta in arrivo',
    'text' => 'Le abbiamo mandato una breve email. Prema il pulsante che contiene ed è fatta. Se tra due minuti non è arrivata, guardi '
        .'nella posta indesiderata.',
    'subject' => 'Confermi, per favore: è il Suo indirizzo?',
    'body' => 'qualcuno, probabilmente Lei, ha richiesto questo a {business}. Un clic ed è Suo:',
    'not_you' => 'Se non è stato Lei, non deve fare nulla: senza quel clic non arriverà altro.',
    'just_sent' => 'Un’email è partita proprio ora. Aspetti un minuto, guardi nella posta indesiderata e controlli che l’indirizzo sia '
        .'senza errori.',
    'over' => [
        'words' => 'I link per confermare un indirizzo valgono solo pochi giorni. Prema il pulsante e ne arriva uno nuovo.',
    ],
    'ask' => [
        'title' => 'È il Suo indirizzo?',
    ],
];
