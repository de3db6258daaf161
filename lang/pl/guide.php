<?php

declare(strict_types=1);

return [
    'read' => 'Czytaj teraz',
    'contents' => 'Spis treści',
    'previous' => 'Poprzednia strona',
    'next' => 'Następna strona',
    'page' => 'Strona {number} z {count}',
    'time' => '{minutes, plural, one {# minuta} few {# minuty} many {# minut} other {# minuty}} czytania',
    'progress' => 'Dokąd już dotarto',
    'save' => 'Zapisz jako PDF',
    'answer' => 'Twoja odpowiedź',
    'kept' => 'Zapisane dla Ciebie',
    'not_kept' => 'Jeszcze niezapisane',
    'offline' => 'Nie ma teraz połączenia. Twój tekst zostaje tutaj, dopóki nie wróci.',
    'locked' => 'Reszta jest Twoja po zapisaniu się',
    'locked_words' => 'Te pierwsze strony są otwarte dla wszystkich. Podaj, dokąd wysłać przewodnik, i czytaj dalej od razu.',
    'locked_to' => 'Chcę cały przewodnik',
];
