<?php

declare(strict_types=1);

return [
    'ask' => 'Mi dica dove mandarlo',
];
