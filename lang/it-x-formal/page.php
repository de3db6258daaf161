<?php

declare(strict_types=1);

return [
    'watch' => 'Guardare il video',
];
