<?php

declare(strict_types=1);

return [
    'words' => 'Tutto ciò che ha comprato da {business}. Conservi il link a questa pagina: non serve una password.',
    'open' => 'Aprire',
    'download' => 'Scaricare {file}',
    'approve' => 'Approvarlo presso la Sua banca',
    'other_card' => 'Usare un’altra carta',
    'no_script' => 'I campi della carta hanno bisogno di JavaScript, che nel Suo browser è disattivato.',
    'use_and_pay' => 'Usare questa carta e saldare ciò che è in sospeso',
    'use' => 'Usare questa carta',
    'no_new_card' => 'Inserisca la nuova carta.',
    'thanks' => 'Grazie del Suo ordine',
    'your_order' => 'Il Suo ordine',
    'summary' => 'Pagato: {amount}. Ordine {number}. La ricevuta arriva a {email} e il suo link apre tutto ciò che ha comprato.',
    'by_receipt' => 'Ciò che ha comprato si apre con il link nella Sua ricevuta.',
];
