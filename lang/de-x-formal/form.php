<?php

declare(strict_types=1);

return [
    'consent' => 'Bitte setzen Sie das Häkchen, wenn Sie einverstanden sind.',
    'tick' => 'Bitte setzen Sie dieses Häkchen.',
    'no_email' => 'Bitte geben Sie Ihre E-Mail-Adresse ein.',
    'wrong_email' => 'Das sieht nicht nach einer E-Mail-Adresse aus. Bitte prüfen Sie sie auf Tippfehler.',
    'elsewhere' => 'Willkommen. Ihre Angaben sind mitgekommen: Drücken Sie bitte noch einmal auf den Knopf, dann ist es geschafft.',
    'old' => 'Diese Seite war lange geöffnet. Ihre Angaben sind noch da: Bitte drücken Sie noch einmal auf den Knopf.',
    'old_short' => 'Diese Seite war lange geöffnet. Bitte drücken Sie noch einmal auf den Knopf.',
    'old_or_closed' => 'Diese Seite war lange geöffnet, oder das Formular wurde inzwischen geschlossen. Bitte laden Sie die Seite neu.',
    'fast' => 'Das ging sehr schnell, wie von einem Programm ausgefüllt. Wenn Sie ein Mensch sind, drücken Sie bitte noch einmal auf den '
        .'Knopf.',
    'flood' => 'Über Ihren Anschluss kamen in den letzten Minuten sehr viele Anmeldungen. Bitte versuchen Sie es in zehn Minuten noch '
        .'einmal.',
    'begin_again' => 'Bitte beginnen Sie von vorn: Ihre vorherigen Angaben sind nicht mehr bekannt.',
    'trouble' => 'Das hat nicht geklappt. Bitte versuchen Sie es gleich noch einmal.',
    'trouble_kept' => 'Das hat nicht geklappt. Bitte versuchen Sie es gleich noch einmal: Ihre Angaben sind noch da.',
];
