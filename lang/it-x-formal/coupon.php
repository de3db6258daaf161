<?php

declare(strict_types=1);

return [
    'used_by_you' => 'Ha già usato questo codice.',
    'none' => 'Questo codice non esiste. Controlli che sia senza errori o lasci il campo vuoto.',
];
