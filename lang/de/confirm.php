<?php

declare(strict_types=1);

return [
    'title' => 'Noch ein Schritt: Schau in dein Postfach',
    'text' => 'Eine kurze E-Mail ist unterwegs zu dir. Drücke darin auf den Knopf, und du bist dabei. Ist sie in zwei Minuten nicht da, '
        .'sieh im Spam-Ordner nach.',
    'subject' => 'Bitte bestätigen: Ist das deine Adresse?',
    'body' => 'jemand, vermutlich du, hat das bei {business} angefordert. Ein Klick, und es gehört dir:',
    'button' => 'Ja, das ist meine Adresse',
    'not_you' => 'Warst du das nicht, brauchst du nichts zu tun: Ohne diesen Klick kommt nichts weiter.',
    'again' => 'Noch einmal senden',
    'sent_again' => 'Die E-Mail ist noch einmal unterwegs. Es gilt die neueste.',
    'just_sent' => 'Gerade eben ging eine E-Mail hinaus. Gib ihr eine Minute, sieh im Spam-Ordner nach, und prüfe die Adresse auf '
        .'Tippfehler.',
    'done' => ['title' => 'Das ist erledigt', 'words' => 'Diese Adresse ist schon bestätigt. Hier gibt es nichts mehr zu tun.'],
    'over' => [
        'title' => 'Dieser Link ist abgelaufen',
        'words' => 'Links zum Bestätigen einer Adresse gelten nur einige Tage. Ein neuer kommt auf Knopfdruck.',
    ],
    'ask' => ['title' => 'Ist das deine Adresse?', 'words' => 'Ein Klick, und du bist dabei.'],
];
