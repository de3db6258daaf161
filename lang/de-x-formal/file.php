<?php

declare(strict_types=1);

return [
    'ask' => 'Sagen Sie mir, wohin ich es schicken soll',
];
