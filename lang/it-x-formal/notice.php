<?php

declare(strict_types=1);

return [
    'not_here' => [
        'words' => 'Controlli che il link sia senza errori o chieda a chi glielo ha dato.',
    ],
    'preview_over' => [
        'words' => 'I link a un’anteprima valgono due settimane. Ne chieda uno nuovo a chi glielo ha mandato.',
    ],
    'too_many' => [
        'words' => 'Negli ultimi minuti ci sono state moltissime iscrizioni dalla Sua connessione. La Sua va bene: torni indietro e '
            .'prema di nuovo il pulsante tra dieci minuti.',
    ],
    'too_many_payments' => [
        'words' => 'Negli ultimi minuti ci sono stati moltissimi tentativi di pagamento dalla Sua connessione. Con questo non è stato '
            .'addebitato nulla: torni indietro e prema di nuovo il pulsante tra dieci minuti.',
    ],
    'session_gone' => [
        'words' => 'È iniziata, è passata o nel frattempo è stata annullata. La data che aveva resta Sua.',
    ],
    'time_is_up' => [
        'words' => 'Ciò che stava qui era aperto per Lei per un tempo limitato, che ora è finito.',
    ],
    'go_on' => [
        'words' => 'È fatta. Ciò che ha chiesto è in arrivo.',
    ],
    'starts_now' => [
        'title' => 'Il Suo tempo inizia quando prosegue',
        'words' => 'Ciò che questo link apre è a Sua disposizione per un tempo limitato. Inizia quando preme il pulsante, e non prima, '
            .'così nessun programma che controlla le Sue email può farlo partire al posto Suo.',
        'button' => 'Proseguire e far partire il mio tempo',
    ],
    'paying_now' => [
        'title' => 'Un momento: il Suo pagamento è in corso',
        'words' => 'La Sua banca non ci ha ancora risposto. Questa pagina controlla da sola ogni pochi secondi e La porta avanti. Può '
            .'anche chiuderla: la ricevuta arriva per email e nulla viene addebitato due volte.',
    ],
    'link_not_yours' => [
        'words' => 'Lo apra di nuovo dalla Sua ricevuta: lì è completo.',
    ],
    'access_paused' => [
        'words' => 'C’è un pagamento in sospeso. Appena è saldato, tutto si riapre. Il link nella ricevuta e quello nell’email sul '
            .'pagamento portano dove può sistemarlo.',
    ],
    'access_ended' => [
        'title' => 'Per Lei questo non è più aperto',
        'words' => 'L’accesso è terminato, per esempio dopo un rimborso. Se è un errore, scriva a chi glielo ha venduto.',
    ],
    'for_buyers' => [
        'words' => 'La apra con il link nella Sua ricevuta. La riconosce.',
    ],
    'link_over' => [
        'words' => 'I link per scaricare valgono solo per un po’. Ci dica il Suo indirizzo email e gliene arriva uno nuovo.',
        'button' => 'Mandatemi un nuovo link',
    ],
    'link_on_its_way' => [
        'title' => 'Guardi la Sua posta in arrivo',
    ],
    'leave' => [
        'less' => 'Basterebbe ricevere di meno, o {business} non deve scriverLe più?',
    ],
    'left' => [
        'back' => 'Tornare indietro',
    ],
    'less_often' => [
        'words' => '{business} non Le manda più email di questo tipo.',
    ],
    'quiet' => [
        'words' => '{business} tornerà a scriverLe solo tra trenta giorni.',
    ],
    'subscribed_again' => [
        'words' => 'Riceve di nuovo le email di {business}.',
    ],
    'busy' => [
        'form' => 'Qui in questo momento c’è moltissimo traffico e ciò che ha inviato non è ancora arrivato. È ancora tutto qui.',
        'form_or' => 'Oppure prema il pulsante.',
        'send' => 'Inviare di nuovo',
        'again' => 'Riprovare',
        'stored' => 'In questo momento non si può salvare nulla: il database è occupato o il disco è pieno. Ciò che ha scritto resta '
            .'qui e riparte da solo.',
    ],
    'to' => [
        'now' => 'Vedere l’offerta attuale',
        'other_times' => 'Vedere le altre date',
        'again' => 'Riprovare',
        'on' => 'Proseguire',
    ],
];
