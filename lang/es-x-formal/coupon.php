<?php

declare(strict_types=1);

return [
    'used_by_you' => 'Ya ha usado este código.',
    'none' => 'No existe ese código. Compruebe que no tenga errores o deje el campo vacío.',
];
