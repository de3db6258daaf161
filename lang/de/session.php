<?php

declare(strict_types=1);

return [
    'choose' => 'Wähle deinen Termin',
    'none' => 'Im Moment gibt es keinen Termin. Hinterlass deine Adresse, und du erfährst vom nächsten.',
    'any_time' => 'Sobald du magst',
    'full' => 'Ausgebucht. Wähle diesen Termin, um auf die Warteliste zu kommen.',
    'places' => '{left, plural, one {Noch ein Platz frei} other {Noch # Plätze frei}}',
    'keep' => 'Platz für mich reservieren',
    'keep_name' => 'Platz für {name} reservieren',
    'known' => 'Wir kennen dich aus unseren E-Mails: Du musst nichts ausfüllen.',
    'gone' => 'Dieser Termin ist nicht mehr wählbar. Bitte wähle einen anderen.',
    'begun' => 'Dieser Termin hat begonnen. Das sind die nächsten.',
    'at_once' => 'Es beginnt, sobald du magst.',
    'left' => 'Noch {time}',
    'has_begun' => 'Es hat begonnen',
    'room' => 'Zu deinem Raum',
    'calendar' => 'In den Kalender eintragen',
    'yours' => 'Der Link zu deinem Raum gehört nur dir und funktioniert auf allen deinen Geräten. Er ist auch in deinem Postfach.',
    'share' => 'Soll noch jemand kommen? Gib diesen Link weiter:',
    'waiting' => 'Alle Plätze sind vergeben. Du stehst auf der Warteliste: Sobald einer frei wird, gehört er dir, und du erfährst es per '
        .'E-Mail.',
    'called_off' => 'Dieser Termin wurde abgesagt.',
    'called_off_choose' => 'Dieser Termin wurde abgesagt. Du kannst einen anderen wählen.',
    'cancelled' => 'Dein Platz ist abgesagt.',
    'cancelled_choose' => 'Dein Platz ist abgesagt. Du kannst einen anderen Termin wählen.',
    'over' => 'Der Termin, den du gewählt hattest, ist vorbei.',
    'replay' => 'Zur Aufzeichnung',
    'list' => 'Es gibt noch keinen nächsten Termin. Du erfährst per E-Mail davon und kannst dann wählen.',
    'inbox' => 'Bitte schau in dein Postfach: Dort sind dein Termin und dein Link in den Raum.',
    'not_here' => 'In diesem Browser bist du nicht angemeldet. <link>Hier anmelden</link>, oder öffne deinen Link aus unserer E-Mail.',
    'other' => 'Passt dir ein anderer Termin besser?',
    'choose_other' => 'Anderen Termin wählen',
    'take' => 'Diesen Termin wählen',
    'cancel' => 'Ich kann nicht kommen: Platz absagen',
];
