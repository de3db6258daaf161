<?php

declare(strict_types=1);

return [
    'number' => 'Numero della carta',
    'until' => 'Valida fino a',
    'code' => 'Codice di sicurezza',
    'fields' => 'Numero della carta · scadenza · codice di sicurezza',
    'wrong_until' => 'Mese e anno, per esempio 08/31.',
    'wrong_code' => 'Tre cifre.',
    'failed' => 'Il pagamento non è riuscito.',
    'failed_uncharged' => 'Il pagamento non è riuscito. Non è stato addebitato nulla.',
    'uncharged' => 'Non è stato addebitato nulla.',
    'declined' => 'La tua banca ha rifiutato questa carta. Prova con un’altra.',
    'no_funds' => 'Su questa carta non c’è abbastanza denaro. Prova con un’altra.',
    'expired' => 'Questa carta è scaduta. Prova con un’altra.',
    'bank_refused' => 'Il pagamento non è stato approvato dalla tua banca. Non è stato addebitato nulla.',
    'bank_abandoned' => 'Il pagamento non è stato approvato in tempo presso la tua banca. Non è stato addebitato nulla.',
    'unknown' => 'Non conosciamo più questa carta. Inseriscila di nuovo.',
    'practice' => 'Pagamento di prova: nessun denaro si muove. Usa una carta di prova, per esempio {number}.',
    'practice_only' => 'I pagamenti di prova accettano solo carte di prova, per esempio {number}. Non inserire mai una carta vera.',
    'bank' => [
        'title' => 'Banca di prova',
        'nothing' => 'Qui non c’è nulla da approvare',
        'nothing_words' => 'Torna alla pagina da cui arrivi.',
        'decided' => 'È già deciso',
        'back' => 'Indietro',
        'question' => 'Approvi questo pagamento?',
        'amount' => '<b>{amount}</b> a {business}',
        'approve' => 'Approva',
        'refuse' => 'Rifiuta',
        'practice' => 'Questa pagina sta al posto di quella della banca. Nessun denaro si muove.',
    ],
];
