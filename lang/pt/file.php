<?php

declare(strict_types=1);

return [
    'download' => 'Baixar',
    'ask' => 'Diga-me para onde enviar',
];
