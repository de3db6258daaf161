<?php

declare(strict_types=1);

return [
    'choose' => 'Wählen Sie Ihren Termin',
    'none' => 'Im Moment gibt es keinen Termin. Hinterlassen Sie Ihre Adresse, und Sie erfahren vom nächsten.',
    'any_time' => 'Sobald Sie mögen',
    'full' => 'Ausgebucht. Wählen Sie diesen Termin, um auf die Warteliste zu kommen.',
    'known' => 'Wir kennen Sie aus unseren E-Mails: Sie müssen nichts ausfüllen.',
    'gone' => 'Dieser Termin ist nicht mehr wählbar. Bitte wählen Sie einen anderen.',
    'at_once' => 'Es beginnt, sobald Sie mögen.',
    'room' => 'Zu Ihrem Raum',
    'yours' => 'Der Link zu Ihrem Raum gehört nur Ihnen und funktioniert auf allen Ihren Geräten. Er ist auch in Ihrem Postfach.',
    'share' => 'Soll noch jemand kommen? Geben Sie diesen Link weiter:',
    'waiting' => 'Alle Plätze sind vergeben. Sie stehen auf der Warteliste: Sobald einer frei wird, gehört er Ihnen, und Sie erfahren es '
        .'per E-Mail.',
    'called_off_choose' => 'Dieser Termin wurde abgesagt. Sie können einen anderen wählen.',
    'cancelled' => 'Ihr Platz ist abgesagt.',
    'cancelled_choose' => 'Ihr Platz ist abgesagt. Sie können einen anderen Termin wählen.',
    'over' => 'Der Termin, den Sie gewählt hatten, ist vorbei.',
    'list' => 'Es gibt noch keinen nächsten Termin. Sie erfahren per E-Mail davon und können dann wählen.',
    'inbox' => 'Bitte sehen Sie in Ihr Postfach: Dort sind Ihr Termin und Ihr Link in den Raum.',
    'not_here' => 'In diesem Browser sind Sie nicht angemeldet. <link>Hier anmelden</link>, oder öffnen Sie Ihren Link aus unserer E-Mail.',
    'other' => 'Passt Ihnen ein anderer Termin besser?',
];
