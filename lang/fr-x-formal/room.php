<?php

declare(strict_types=1);

return [
    'members' => 'Cette salle est réservée aux inscrits. Ouvrez-la par le lien de notre e-mail, ou <link>inscrivez-vous ici</link>.',
    'go_on' => 'Vous pouvez reprendre là où vous en étiez.',
    'cancelled' => 'Cette séance n’a pas lieu. Le lien de votre e-mail mène aux autres dates.',
    'waiting' => 'Toutes les places sont prises. Dès qu’une se libère, vous l’apprenez par e-mail.',
    'crowded' => 'Ce lien est déjà ouvert sur plusieurs autres appareils. Fermez-le sur l’un d’eux, et cette page continue toute seule.',
    'mine' => '(votre réponse)',
    'lost' => 'Cela n’a pas marché. Votre texte est encore là.',
    'offline' => 'Il n’y a pas de connexion en ce moment. Votre texte est encore là : envoyez-le de nouveau.',
    'no_stream' => 'Il n’y a pas d’image ici. Vous pouvez poser des questions ci-dessous.',
    'no_question' => 'Écrivez d’abord votre question.',
    'long_question' => 'Une question a {most, plural, one {# caractère} many {# caractères} other {# caractères}} au maximum. '
        .'Raccourcissez-la ; rien n’est encore perdu.',
    'many_questions' => 'Cela fait beaucoup de questions d’un coup. Attendez une minute.',
];
