<?php

declare(strict_types=1);

return [
    'title' => 'Ancora un passo: guarda la tua posta in arrivo',
    'text' => 'Ti abbiamo mandato una breve email. Premi il pulsante che contiene ed è fatta. Se tra due minuti non è arrivata, guarda '
        .'nella posta indesiderata.',
    'subject' => 'Conferma, per favore: è il tuo indirizzo?',
    'body' => 'qualcuno, probabilmente tu, ha richiesto questo a {business}. Un clic ed è tuo:',
    'button' => 'Sì, è il mio indirizzo',
    'not_you' => 'Se non sei stato tu, non devi fare nulla: senza quel clic non arriverà altro.',
    'again' => 'Invia di nuovo',
    'sent_again' => 'L’email è ripartita. Vale quella più recente.',
    'just_sent' => 'Un’email è partita proprio ora. Aspetta un minuto, guarda nella posta indesiderata e controlla che l’indirizzo sia '
        .'senza errori.',
    'done' => [
        'title' => 'È già fatto',
        'words' => 'Questo indirizzo è già confermato. Qui non resta nulla da fare.',
    ],
    'over' => [
        'title' => 'Questo link è scaduto',
        'words' => 'I link per confermare un indirizzo valgono solo pochi giorni. Premi il pulsante e ne arriva uno nuovo.',
    ],
    'ask' => [
        'title' => 'È il tuo indirizzo?',
        'words' => 'Un clic ed è fatta.',
    ],
];
