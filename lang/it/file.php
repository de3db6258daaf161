<?php

declare(strict_types=1);

return [
    'download' => 'Scarica',
    'ask' => 'Dimmi dove mandarlo',
];
