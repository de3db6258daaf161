<?php

declare(strict_types=1);

return [
    'read' => 'La legga ora',
    'progress' => 'A che punto è',
    'answer' => 'La sua risposta',
    'kept' => 'Salvato per lei',
    'offline' => 'In questo momento non c’è connessione. Quello che ha scritto resta qui finché torna.',
    'locked' => 'Il resto è suo quando si iscrive',
    'locked_words' => 'Queste prime pagine sono aperte a tutti. Mi dica dove mandare la guida e potrà continuare subito.',
];
