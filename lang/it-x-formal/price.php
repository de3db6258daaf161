<?php

declare(strict_types=1);

return [
    'any' => 'quanto vuole',
];
