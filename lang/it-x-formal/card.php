<?php

declare(strict_types=1);

return [
    'declined' => 'La Sua banca ha rifiutato questa carta. Provi con un’altra.',
    'no_funds' => 'Su questa carta non c’è abbastanza denaro. Provi con un’altra.',
    'expired' => 'Questa carta è scaduta. Provi con un’altra.',
    'bank_refused' => 'Il pagamento non è stato approvato dalla Sua banca. Non è stato addebitato nulla.',
    'bank_abandoned' => 'Il pagamento non è stato approvato in tempo presso la Sua banca. Non è stato addebitato nulla.',
    'unknown' => 'Non conosciamo più questa carta. La inserisca di nuovo.',
    'practice' => 'Pagamento di prova: nessun denaro si muove. Usi una carta di prova, per esempio {number}.',
    'practice_only' => 'I pagamenti di prova accettano solo carte di prova, per esempio {number}. Non inserisca mai una carta vera.',
    'bank' => [
        'nothing_words' => 'Torni alla pagina da cui arriva.',
        'question' => 'Approva questo pagamento?',
    ],
];
