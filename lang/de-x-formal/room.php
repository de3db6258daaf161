<?php

declare(strict_types=1);

return [
    'members' => 'Dieser Raum ist für alle, die sich angemeldet haben. Öffnen Sie ihn über den Link in unserer E-Mail, oder <link>melden '
        .'Sie sich hier an</link>.',
    'go_on' => 'Sie können dort weitermachen, wo Sie waren.',
    'over' => 'Diese Veranstaltung ist vorbei. Vielen Dank, dass Sie da waren.',
    'cancelled' => 'Diese Veranstaltung findet nicht statt. Der Link aus Ihrer E-Mail führt zu den anderen Terminen.',
    'waiting' => 'Alle Plätze sind vergeben. Sobald einer frei wird, erfahren Sie es per E-Mail.',
    'crowded' => 'Dieser Link ist schon auf mehreren anderen Geräten geöffnet. Schließen Sie ihn auf einem davon, dann geht es hier von '
        .'selbst weiter.',
    'mine' => '(Ihre Antwort)',
    'lost' => 'Das hat nicht geklappt. Ihr Text ist noch da.',
    'offline' => 'Im Moment besteht keine Verbindung. Ihr Text ist noch da: Bitte senden Sie ihn noch einmal.',
    'no_stream' => 'Hier wird kein Bild gezeigt. Fragen können Sie unten stellen.',
    'no_question' => 'Bitte schreiben Sie zuerst Ihre Frage.',
    'long_question' => 'Eine Frage hat höchstens {most, plural, one {# Zeichen} other {# Zeichen}}. Bitte kürzen Sie sie; noch ist nichts '
        .'verloren.',
    'many_questions' => 'Das sind sehr viele Fragen auf einmal. Bitte warten Sie eine Minute.',
];
