<?php

declare(strict_types=1);

return [
    'progress' => 'Où vous en êtes',
    'answer' => 'Votre réponse',
    'kept' => 'Gardé pour vous',
    'offline' => 'Il n’y a pas de connexion pour le moment. Ce que vous avez écrit reste ici en attendant.',
    'locked' => 'La suite est à vous dès que vous vous inscrivez',
    'locked_words' => 'Ces premières pages sont ouvertes à tous. Dites-moi où envoyer le guide, et vous pourrez continuer '
        .'tout de suite.',
];
