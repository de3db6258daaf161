<?php

declare(strict_types=1);

return [
    'progress' => 'Hoe ver u bent',
    'answer' => 'Uw antwoord',
    'kept' => 'Voor u bewaard',
    'offline' => 'Er is nu geen verbinding. Wat u hebt geschreven blijft hier tot die er weer is.',
    'locked' => 'De rest krijgt u als u zich inschrijft',
    'locked_words' => 'Deze eerste pagina’s zijn voor iedereen open. Zeg me waar ik de gids heen stuur, dan leest u meteen verder.',
];
