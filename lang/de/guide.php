<?php

declare(strict_types=1);

return [
    'read' => 'Jetzt lesen',
    'contents' => 'Inhalt',
    'previous' => 'Vorige Seite',
    'next' => 'Nächste Seite',
    'page' => 'Seite {number} von {count}',
    'time' => '{minutes, plural, one {# Minute} other {# Minuten}} Lesezeit',
    'progress' => 'Wie weit du gekommen bist',
    'save' => 'Als PDF sichern',
    'answer' => 'Deine Antwort',
    'kept' => 'Für dich gesichert',
    'not_kept' => 'Noch nicht gesichert',
    'offline' => 'Gerade besteht keine Verbindung. Was du geschrieben hast, bleibt hier, bis es wieder eine gibt.',
    'locked' => 'Den Rest bekommst du, wenn du dich einträgst',
    'locked_words' => 'Diese ersten Seiten stehen allen offen. Sag mir, wohin ich den Leitfaden schicken soll, dann kannst '
        .'du gleich weiterlesen.',
    'locked_to' => 'Den ganzen Leitfaden holen',
];
