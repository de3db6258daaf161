<?php

declare(strict_types=1);

return [
    'members' => 'Questa sala è per chi si è iscritto. La apra con il link nella nostra email o <link>si iscriva qui</link>.',
    'join' => 'Entrare con l’audio',
    'ask' => 'Fare una domanda',
    'go_on' => 'Può riprendere da dove era.',
    'over' => 'Questo incontro è finito. Grazie di aver partecipato.',
    'cancelled' => 'Questo incontro non si tiene. Il link nella Sua email porta alle altre date.',
    'waiting' => 'Tutti i posti sono occupati. Appena se ne libera uno, glielo diciamo per email.',
    'crowded' => 'Questo link è già aperto su diversi altri dispositivi. Lo chiuda su uno di essi e questa pagina prosegue da sola.',
    'next' => 'Proseguire',
    'to_replay' => 'Vedere la replica',
    'offer' => 'Vedere l’offerta',
    'offer_over' => 'Vedere l’offerta attuale',
    'mine' => '(la Sua risposta)',
    'lost' => 'Non ha funzionato. Il Suo testo è ancora qui.',
    'offline' => 'In questo momento non c’è connessione. Il Suo testo è ancora qui: lo invii di nuovo.',
    'no_stream' => 'Qui non c’è immagine. Può fare domande qui sotto.',
    'no_question' => 'Scriva prima la Sua domanda.',
    'long_question' => 'Una domanda ha al massimo {most, plural, one {# carattere} many {# caratteri} other {# caratteri}}. La accorci; '
        .'non è ancora perso nulla.',
    'many_questions' => 'Sono moltissime domande in una volta. Aspetti un minuto.',
];
