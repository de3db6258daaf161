<?php

declare(strict_types=1);

return [
    'ask' => 'Dígame adónde se lo envío',
];
