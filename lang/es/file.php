<?php

declare(strict_types=1);

return [
    'download' => 'Descargar',
    'ask' => 'Dime adónde te lo envío',
];
