<?php

declare(strict_types=1);

return [
    'consent' => 'Cochez la case pour dire que vous êtes d’accord.',
    'tick' => 'Cochez cette case.',
    'no_choice' => 'Choisissez une des réponses : {label}.',
    'no_choices' => 'Choisissez parmi les réponses : {label}.',
    'no_day' => '{label} : ce jour n’existe pas. Écrivez-le ainsi : 2027-03-31.',
    'no_email' => 'Saisissez votre adresse e-mail.',
    'wrong_email' => 'Cela ne ressemble pas à une adresse e-mail. Vérifiez qu’elle est sans faute de frappe.',
    'elsewhere' => 'Bienvenue. Vos réponses ont suivi : appuyez encore une fois sur le bouton, et c’est fait.',
    'old' => 'Cette page est restée ouverte longtemps. Vos réponses sont encore là : appuyez encore une fois sur le bouton.',
    'old_short' => 'Cette page est restée ouverte longtemps. Appuyez encore une fois sur le bouton.',
    'old_or_closed' => 'Cette page est restée ouverte longtemps, ou le formulaire a été fermé entre-temps. Rechargez la page.',
    'fast' => 'C’est allé très vite, comme si un programme avait rempli le formulaire. Si vous êtes une personne, appuyez encore une '
        .'fois sur le bouton.',
    'flood' => 'Il y a eu énormément d’inscriptions depuis votre connexion ces dernières minutes. Réessayez dans dix minutes.',
    'begin_again' => 'Recommencez depuis le début : ce que vous aviez rempli n’est plus connu.',
    'trouble' => 'Cela n’a pas marché. Réessayez dans un instant.',
    'trouble_kept' => 'Cela n’a pas marché. Réessayez dans un instant : vos réponses sont encore là.',
];
