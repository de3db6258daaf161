<?php

declare(strict_types=1);

return [
    'any' => 'ile Państwo chcą',
];
