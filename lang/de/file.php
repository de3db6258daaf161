<?php

declare(strict_types=1);

return [
    'download' => 'Herunterladen',
    'ask' => 'Sag mir, wohin ich es schicken soll',
];
