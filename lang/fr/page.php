<?php

declare(strict_types=1);

return [
    'close' => 'Fermer',
    'menu' => 'Menu',
    'time_is_up' => 'Le délai est écoulé.',
    'time_is_up_short' => 'Le délai est écoulé',
    'watch' => 'Regarder la vidéo',
    'share' => 'Partager',
    'copy' => 'Copier le lien',
    'copied' => 'Copié',
    'email' => 'Par e-mail',
];
