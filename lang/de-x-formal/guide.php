<?php

declare(strict_types=1);

return [
    'progress' => 'Wie weit Sie gekommen sind',
    'answer' => 'Ihre Antwort',
    'kept' => 'Für Sie gesichert',
    'offline' => 'Gerade besteht keine Verbindung. Was Sie geschrieben haben, bleibt hier, bis es wieder eine gibt.',
    'locked' => 'Den Rest bekommen Sie, wenn Sie sich eintragen',
    'locked_words' => 'Diese ersten Seiten stehen allen offen. Sagen Sie mir, wohin ich den Leitfaden schicken soll, dann '
        .'können Sie gleich weiterlesen.',
];
