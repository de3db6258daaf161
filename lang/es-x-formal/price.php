<?php

declare(strict_types=1);

return [
    'any' => 'lo que usted quiera',
];
