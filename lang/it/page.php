<?php

declare(strict_types=1);

return [
    'close' => 'Chiudi',
    'menu' => 'Menu',
    'time_is_up' => 'Il tempo è scaduto.',
    'time_is_up_short' => 'Il tempo è scaduto',
    'watch' => 'Guarda il video',
    'share' => 'Condividi',
    'copy' => 'Copia il link',
    'copied' => 'Copiato',
    'email' => 'Via email',
    'preview' => 'Anteprima di una bozza. Niente di ciò che si fa qui viene salvato.',
    'copy_no_buy' => 'Questa copia della pagina non è collegata a un sito: qui non si può acquistare nulla.',
    'copy_no_form' => 'Questa copia della pagina non è collegata a un sito: il modulo non può essere inviato.',
    'to_checkout' => 'Vai al pagamento',
];
