<?php

declare(strict_types=1);

return [
    'close' => 'Zamknij',
    'menu' => 'Menu',
    'time_is_up' => 'Czas minął.',
    'time_is_up_short' => 'Czas minął',
    'watch' => 'Obejrzyj film',
    'share' => 'Udostępnij',
    'copy' => 'Kopiuj link',
    'copied' => 'Skopiowano',
    'email' => 'E-mailem',
    'preview' => 'Podgląd wersji roboczej. Nic z tego, co tu się dzieje, nie jest zapisywane.',
    'copy_no_buy' => 'Ta kopia strony nie jest połączona z żadną witryną, więc niczego nie można tu kupić.',
    'copy_no_form' => 'Ta kopia strony nie jest połączona z żadną witryną, więc formularza nie można wysłać.',
    'to_checkout' => 'Przejdź do płatności',
];
