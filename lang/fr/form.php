<?php

declare(strict_types=1);

return [
    'optional' => '(facultatif)',
    'choose' => 'Choisir',
    'empty' => 'Laisser ce champ vide',
    'email' => 'Adresse e-mail',
    'consent' => 'Coche la case pour dire que tu es d’accord.',
    'tick' => 'Coche cette case.',
    'choose_one' => 'À choisir : {label}.',
    'missing' => 'À remplir : {label}.',
    'too_long' => '{label} : c’est trop long, {most, plural, one {# caractère} many {# caractères} other {# caractères}} au maximum.',
    'phone' => 'Un numéro de téléphone se compose de chiffres, éventuellement précédés d’un plus.',
    'no_choice' => 'Choisis une des réponses : {label}.',
    'no_choices' => 'Choisis parmi les réponses : {label}.',
    'no_day' => '{label} : ce jour n’existe pas. Écris-le ainsi : 2027-03-31.',
    'no_number' => '{label} : il faut un nombre, par exemple 1234,5.',
    'no_email' => 'Saisis ton adresse e-mail.',
    'wrong_email' => 'Cela ne ressemble pas à une adresse e-mail. Vérifie qu’elle est sans faute de frappe.',
    'elsewhere' => 'Bienvenue. Tes réponses ont suivi : appuie encore une fois sur le bouton, et c’est fait.',
    'old' => 'Cette page est restée ouverte longtemps. Tes réponses sont encore là : appuie encore une fois sur le bouton.',
    'old_short' => 'Cette page est restée ouverte longtemps. Appuie encore une fois sur le bouton.',
    'old_or_closed' => 'Cette page est restée ouverte longtemps, ou le formulaire a été fermé entre-temps. Recharge la page.',
    'fast' => 'C’est allé très vite, comme si un programme avait rempli le formulaire. Si tu es une personne, appuie encore une fois '
        .'sur le bouton.',
    'not_open' => 'Ce formulaire n’est pas ouvert en ce moment.',
    'flood' => 'Il y a eu énormément d’inscriptions depuis ta connexion ces dernières minutes. Réessaie dans dix minutes.',
    'begin_again' => 'Recommence depuis le début : ce que tu avais rempli n’est plus connu.',
    'trouble' => 'Cela n’a pas marché. Réessaie dans un instant.',
    'trouble_kept' => 'Cela n’a pas marché. Réessaie dans un instant : tes réponses sont encore là.',
    'close' => 'Fermer',
];
