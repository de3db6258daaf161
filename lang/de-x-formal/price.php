<?php

declare(strict_types=1);

return [
    'any' => 'so viel Sie möchten',
];
