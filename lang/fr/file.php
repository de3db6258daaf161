<?php

declare(strict_types=1);

return [
    'download' => 'Télécharger',
    'ask' => 'Dis-moi où l’envoyer',
];
