<?php

declare(strict_types=1);

return [
    'read' => 'Lire maintenant',
    'contents' => 'Sommaire',
    'previous' => 'Page précédente',
    'next' => 'Page suivante',
    'page' => 'Page {number} sur {count}',
    'time' => '{minutes, plural, one {# minute} many {# minutes} other {# minutes}} de lecture',
    'progress' => 'Où tu en es',
    'save' => 'Enregistrer en PDF',
    'answer' => 'Ta réponse',
    'kept' => 'Gardé pour toi',
    'not_kept' => 'Pas encore gardé',
    'offline' => 'Il n’y a pas de connexion pour le moment. Ce que tu as écrit reste ici en attendant.',
    'locked' => 'La suite est à toi dès que tu t’inscris',
    'locked_words' => 'Ces premières pages sont ouvertes à tous. Dis-moi où envoyer le guide, et tu pourras continuer tout de suite.',
    'locked_to' => 'Recevoir le guide entier',
];
