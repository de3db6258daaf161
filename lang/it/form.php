<?php

declare(strict_types=1);

return [
    'optional' => '(facoltativo)',
    'choose' => 'Scegli',
    'empty' => 'Lascia vuoto questo campo',
    'email' => 'Indirizzo email',
    'consent' => 'Spunta la casella se sei d’accordo.',
    'tick' => 'Spunta questa casella.',
    'choose_one' => 'Scegli: {label}.',
    'missing' => 'Compila: {label}.',
    'too_long' => '{label}: è troppo lungo, al massimo {most, plural, one {# carattere} many {# caratteri} other {# caratteri}}.',
    'phone' => 'Un numero di telefono è fatto di cifre, con un eventuale più davanti.',
    'no_choice' => 'Scegli una delle risposte: {label}.',
    'no_choices' => 'Scegli tra le risposte: {label}.',
    'no_day' => '{label}: questo giorno non esiste. Scrivilo così: 2027-03-31.',
    'no_number' => '{label}: serve un numero, per esempio 1234,5.',
    'no_email' => 'Inserisci il tuo indirizzo email.',
    'wrong_email' => 'Non sembra un indirizzo email. Controlla che sia senza errori.',
    'elsewhere' => 'Ti diamo il benvenuto. Le tue risposte sono arrivate con te: premi il pulsante ancora una volta ed è fatta.',
    'old' => 'Questa pagina è rimasta aperta a lungo. Le tue risposte sono ancora qui: premi il pulsante ancora una volta.',
    'old_short' => 'Questa pagina è rimasta aperta a lungo. Premi il pulsante ancora una volta.',
    'old_or_closed' => 'Questa pagina è rimasta aperta a lungo, o nel frattempo il modulo è stato chiuso. Ricarica la pagina.',
    'fast' => 'È stato molto veloce, come se un programma avesse compilato il modulo. Se sei una persona, premi il pulsante ancora una '
        .'volta.',
    'not_open' => 'In questo momento il modulo non è aperto.',
    'flood' => 'Negli ultimi minuti ci sono state moltissime iscrizioni dalla tua connessione. Riprova tra dieci minuti.',
    'begin_again' => 'Ricomincia da capo: ciò che avevi compilato non è più disponibile.',
    'trouble' => 'Non ha funzionato. Riprova tra un momento.',
    'trouble_kept' => 'Non ha funzionato. Riprova tra un momento: le tue risposte sono ancora qui.',
    'close' => 'Chiudi',
];
