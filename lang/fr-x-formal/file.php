<?php

declare(strict_types=1);

return [
    'ask' => 'Dites-moi où l’envoyer',
];
