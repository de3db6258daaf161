<?php

declare(strict_types=1);

return [
    'any' => 'le montant de votre choix',
];
