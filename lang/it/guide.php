<?php

declare(strict_types=1);

return [
    'read' => 'Leggila ora',
    'contents' => 'Indice',
    'previous' => 'Pagina precedente',
    'next' => 'Pagina successiva',
    'page' => 'Pagina {number} di {count}',
    'time' => '{minutes, plural, one {# minuto} many {# minuti} other {# minuti}} di lettura',
    'progress' => 'A che punto sei',
    'save' => 'Salva come PDF',
    'answer' => 'La tua risposta',
    'kept' => 'Salvato per te',
    'not_kept' => 'Non ancora salvato',
    'offline' => 'In questo momento non c’è connessione. Quello che hai scritto resta qui finché torna.',
    'locked' => 'Il resto è tuo quando ti iscrivi',
    'locked_words' => 'Queste prime pagine sono aperte a tutti. Dimmi dove mandare la guida e potrai continuare subito.',
    'locked_to' => 'Voglio la guida intera',
];
