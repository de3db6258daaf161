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
    'preview' => 'Aperçu d’un brouillon. Rien de ce qui se passe ici n’est enregistré.',
    'copy_no_buy' => 'Cette copie de la page n’est reliée à aucun site : rien ne peut être acheté ici.',
    'copy_no_form' => 'Cette copie de la page n’est reliée à aucun site : le formulaire ne peut pas être envoyé.',
    'to_checkout' => 'Aller au paiement',
];
