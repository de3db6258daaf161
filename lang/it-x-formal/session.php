<?php

declare(strict_types=1);

return [
    'choose' => 'Scelga la Sua data',
    'none' => 'In questo momento non c’è nessuna data. Lasci il Suo indirizzo e saprà della prossima.',
    'any_time' => 'Appena vuole',
    'full' => 'Completo. Scelga questa data per entrare nella lista d’attesa.',
    'keep' => 'Tenetemi un posto',
    'keep_name' => 'Tenere un posto per {name}',
    'known' => 'La conosciamo dalle nostre email: non deve compilare nulla.',
    'gone' => 'Questa data non si può più scegliere. Ne scelga un’altra.',
    'at_once' => 'Inizia appena vuole.',
    'room' => 'Alla Sua sala',
    'calendar' => 'Aggiungere al calendario',
    'yours' => 'Il link per la Sua sala è solo Suo e funziona su tutti i Suoi dispositivi. È anche nella Sua posta in arrivo.',
    'share' => 'Dovrebbe venire anche qualcun altro? Gli dia questo link:',
    'waiting' => 'Tutti i posti sono occupati. È nella lista d’attesa: appena se ne libera uno è Suo, e glielo diciamo per email.',
    'called_off_choose' => 'Questo incontro è stato annullato. Può scegliere un’altra data.',
    'cancelled' => 'Il Suo posto è annullato.',
    'cancelled_choose' => 'Il Suo posto è annullato. Può scegliere un’altra data.',
    'over' => 'L’incontro che aveva scelto è passato.',
    'replay' => 'Vedere la replica',
    'list' => 'Non c’è ancora una prossima data. Gliela diciamo per email e allora potrà scegliere.',
    'inbox' => 'Guardi la Sua posta in arrivo: lì ci sono la Sua data e il Suo link per la sala.',
    'not_here' => 'In questo browser non risulta la Sua iscrizione. <link>Si iscriva qui</link> o apra il Suo link dalla nostra email.',
    'other' => 'Un’altra data Le va meglio?',
    'choose_other' => 'Scegliere un’altra data',
    'take' => 'Scegliere questa data',
    'cancel' => 'Non posso venire: annullare il mio posto',
];
