<?php

declare(strict_types=1);

return [
    'not_here' => [
        'title' => 'A questo indirizzo non c’è nessuna pagina',
        'words' => 'Controlla che il link sia senza errori o chiedi a chi te lo ha dato.',
    ],
    'closed' => [
        'title' => 'Per ora questa offerta è chiusa',
        'words' => 'Grazie della visita. In questo momento le iscrizioni sono chiuse e non è stato salvato nulla.',
    ],
    'not_open_yet' => [
        'title' => 'Non ancora aperto',
        'words' => 'Grazie della visita. Apertura: {moment}.',
    ],
    'preview_over' => [
        'title' => 'Questa anteprima è scaduta',
        'words' => 'I link a un’anteprima valgono due settimane. Chiedine uno nuovo a chi te lo ha mandato.',
    ],
    'too_many' => [
        'title' => 'Un momento, per favore',
        'words' => 'Negli ultimi minuti ci sono state moltissime iscrizioni dalla tua connessione. La tua va bene: torna indietro e '
            .'premi di nuovo il pulsante tra dieci minuti.',
    ],
    'too_many_payments' => [
        'title' => 'Un momento, per favore',
        'words' => 'Negli ultimi minuti ci sono stati moltissimi tentativi di pagamento dalla tua connessione. Con questo non è stato '
            .'addebitato nulla: torna indietro e premi di nuovo il pulsante tra dieci minuti.',
    ],
    'session_gone' => [
        'title' => 'Questa data non si può più scegliere',
        'words' => 'È iniziata, è passata o nel frattempo è stata annullata. La data che avevi resta tua.',
    ],
    'time_is_up' => [
        'title' => 'Il tempo per questo è scaduto',
        'words' => 'Ciò che stava qui era aperto per te per un tempo limitato, che ora è finito.',
    ],
    'go_on' => [
        'title' => 'Grazie',
        'words' => 'È fatta. Ciò che hai chiesto è in arrivo.',
    ],
    'starts_now' => [
        'title' => 'Il tuo tempo inizia quando prosegui',
        'words' => 'Ciò che questo link apre è a tua disposizione per un tempo limitato. Inizia quando premi il pulsante, e non prima, '
            .'così nessun programma che controlla le tue email può farlo partire al posto tuo.',
        'button' => 'Prosegui e fai partire il mio tempo',
    ],
    'paying_now' => [
        'title' => 'Un momento: il tuo pagamento è in corso',
        'words' => 'La tua banca non ci ha ancora risposto. Questa pagina controlla da sola ogni pochi secondi e ti porta avanti. Puoi '
            .'anche chiuderla: la ricevuta arriva per email e nulla viene addebitato due volte.',
    ],
    'not_paid' => [
        'title' => 'Il pagamento non è riuscito',
    ],
    'link_not_yours' => [
        'title' => 'Questo link non apre nulla',
        'words' => 'Aprilo di nuovo dalla tua ricevuta: lì è completo.',
    ],
    'access_paused' => [
        'title' => 'L’accesso è sospeso',
        'words' => 'C’è un pagamento in sospeso. Appena è saldato, tutto si riapre. Il link nella ricevuta e quello nell’email sul '
            .'pagamento portano dove puoi sistemarlo.',
    ],
    'access_ended' => [
        'title' => 'Per te questo non è più aperto',
        'words' => 'L’accesso è terminato, per esempio dopo un rimborso. Se è un errore, scrivi a chi te lo ha venduto.',
    ],
    'for_buyers' => [
        'title' => 'Questa pagina è per chi ha comprato',
        'words' => 'Aprila con il link nella tua ricevuta. Ti riconosce.',
    ],
    'link_over' => [
        'title' => 'Questo link per scaricare è scaduto',
        'words' => 'I link per scaricare valgono solo per un po’. Dicci il tuo indirizzo email e te ne arriva uno nuovo.',
        'button' => 'Mandami un nuovo link',
    ],
    'link_on_its_way' => [
        'title' => 'Guarda la tua posta in arrivo',
        'words' => 'Se conosciamo questo indirizzo, un nuovo link è in viaggio e arriva tra un minuto o due.',
    ],
    'file_gone' => [
        'title' => 'Questo file non è più disponibile',
        'words' => 'Chi lo offriva lo ha ritirato.',
    ],
    'leave' => [
        'title' => 'Annullare l’iscrizione?',
        'words' => 'Non riceverai più email da {business}.',
        'less' => 'Basterebbe ricevere di meno, o {business} non deve scriverti più?',
        'button' => 'Sì, annulla la mia iscrizione',
        'no_news' => 'Solo ciò che ho chiesto, niente novità',
        'no_series' => 'Questa serie no, ma ogni tanto le novità sì',
        'quiet' => 'Niente per un mese',
    ],
    'left' => [
        'title' => 'Iscrizione annullata',
        'words' => 'Non riceverai più email da {business}. Grazie per averle lette.',
        'mistake' => 'Premuto per sbaglio?',
        'back' => 'Torna indietro',
    ],
    'less_often' => [
        'title' => 'Riceverai di meno',
        'words' => '{business} non ti manda più email di questo tipo.',
    ],
    'quiet' => [
        'title' => 'Un mese di silenzio',
        'words' => '{business} tornerà a scriverti solo tra trenta giorni.',
    ],
    'subscribed_again' => [
        'title' => 'Come prima',
        'words' => 'Ricevi di nuovo le email di {business}.',
    ],
    'busy' => [
        'title' => 'Un momento, per favore',
        'form' => 'Qui in questo momento c’è moltissimo traffico e ciò che hai inviato non è ancora arrivato. È ancora tutto qui.',
        'form_again' => 'Riparte da solo tra pochi secondi.',
        'form_or' => 'Oppure premi il pulsante.',
        'send' => 'Invia di nuovo',
        'words' => 'Qui in questo momento c’è moltissimo traffico. Questa pagina si apre da sola tra pochi secondi.',
        'again' => 'Riprova',
        'stored' => 'In questo momento non si può salvare nulla: il database è occupato o il disco è pieno. Ciò che hai scritto resta '
            .'qui e riparte da solo.',
    ],
    'to' => [
        'first_page' => 'Alla prima pagina',
        'now' => 'Vedi l’offerta attuale',
        'other_times' => 'Vedi le altre date',
        'again' => 'Riprova',
        'on' => 'Prosegui',
    ],
];
