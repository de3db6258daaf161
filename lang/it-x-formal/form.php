<?php

declare(strict_types=1);

return [
    'choose' => 'Scelga',
    'empty' => 'Lasci vuoto questo campo',
    'consent' => 'Spunti la casella se è d’accordo.',
    'tick' => 'Spunti questa casella.',
    'choose_one' => 'Scelga: {label}.',
    'missing' => 'Compili: {label}.',
    'no_choice' => 'Scelga una delle risposte: {label}.',
    'no_choices' => 'Scelga tra le risposte: {label}.',
    'no_day' => '{label}: questo giorno non esiste. Lo scriva così: 2027-03-31.',
    'no_email' => 'Inserisca il Suo indirizzo email.',
    'wrong_email' => 'Non sembra un indirizzo email. Controlli che sia senza errori.',
    'elsewhere' => 'Le diamo il benvenuto. Le Sue risposte sono arrivate con Lei: prema il pulsante ancora una volta ed è fatta.',
    'old' => 'Questa pagina è rimasta aperta a lungo. Le Sue risposte sono ancora qui: prema il pulsante ancora una volta.',
    'old_short' => 'Questa pagina è rimasta aperta a lungo. Prema il pulsante ancora una volta.',
    'old_or_closed' => 'Questa pagina è rimasta aperta a lungo, o nel frattempo il modulo è stato chiuso. Ricarichi la pagina.',
    'fast' => 'È stato molto veloce, come se un programma avesse compilato il modulo. Se Lei è una persona, prema il pulsante ancora '
        .'una volta.',
    'flood' => 'Negli ultimi minuti ci sono state moltissime iscrizioni dalla Sua connessione. Riprovi tra dieci minuti.',
    'begin_again' => 'Ricominci da capo: ciò che aveva compilato non è più disponibile.',
    'trouble' => 'Non ha funzionato. Riprovi tra un momento.',
    'trouble_kept' => 'Non ha funzionato. Riprovi tra un momento: le Sue risposte sono ancora qui.',
];
