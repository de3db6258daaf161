<?php

declare(strict_types=1);

return [
    'read' => 'Nu lezen',
    'contents' => 'Inhoud',
    'previous' => 'Vorige pagina',
    'next' => 'Volgende pagina',
    'page' => 'Pagina {number} van {count}',
    'time' => '{minutes, plural, one {# minuut} other {# minuten}} leestijd',
    'progress' => 'Hoe ver je bent',
    'save' => 'Bewaren als pdf',
    'answer' => 'Je antwoord',
    'kept' => 'Voor je bewaard',
    'not_kept' => 'Nog niet bewaard',
    'offline' => 'Er is nu geen verbinding. Wat je hebt geschreven blijft hier tot die er weer is.',
    'locked' => 'De rest krijg je als je je inschrijft',
    'locked_words' => 'Deze eerste pagina’s zijn voor iedereen open. Zeg me waar ik de gids heen stuur, dan lees je meteen verder.',
    'locked_to' => 'Ik wil de hele gids',
];
