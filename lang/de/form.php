<?php

declare(strict_types=1);

return [
    'optional' => '(freiwillig)',
    'choose' => 'Bitte wählen',
    'empty' => 'Dieses Feld bitte leer lassen',
    'email' => 'E-Mail-Adresse',
    'consent' => 'Bitte setze das Häkchen, wenn du einverstanden bist.',
    'tick' => 'Bitte setze dieses Häkchen.',
    'choose_one' => 'Bitte auswählen: {label}.',
    'missing' => 'Bitte ausfüllen: {label}.',
    'too_long' => '{label} ist zu lang: höchstens {most, plural, one {# Zeichen} other {# Zeichen}}.',
    'phone' => 'Eine Telefonnummer besteht aus Ziffern, eventuell mit einem Plus davor.',
    'no_choice' => 'Bitte eine der Antworten wählen: {label}.',
    'no_choices' => 'Bitte aus den Antworten wählen: {label}.',
    'no_day' => '{label}: Diesen Tag gibt es nicht. Bitte so schreiben: 2027-03-31.',
    'no_number' => '{label}: Bitte eine Zahl eingeben, zum Beispiel 1234,5.',
    'no_email' => 'Bitte gib deine E-Mail-Adresse ein.',
    'wrong_email' => 'Das sieht nicht nach einer E-Mail-Adresse aus. Bitte prüfe sie auf Tippfehler.',
    'elsewhere' => 'Willkommen. Deine Angaben sind mitgekommen: Drücke bitte noch einmal auf den Knopf, dann ist es geschafft.',
    'old' => 'Diese Seite war lange geöffnet. Deine Angaben sind noch da: Bitte drücke noch einmal auf den Knopf.',
    'old_short' => 'Diese Seite war lange geöffnet. Bitte drücke noch einmal auf den Knopf.',
    'old_or_closed' => 'Diese Seite war lange geöffnet, oder das Formular wurde inzwischen geschlossen. Bitte lade die Seite neu.',
    'fast' => 'Das ging sehr schnell, wie von einem Programm ausgefüllt. Wenn du ein Mensch bist, drücke bitte noch einmal auf den Knopf.',
    'not_open' => 'Dieses Formular ist im Moment nicht geöffnet.',
    'flood' => 'Über deinen Anschluss kamen in den letzten Minuten sehr viele Anmeldungen. Bitte versuche es in zehn Minuten noch einmal.',
    'begin_again' => 'Bitte beginne von vorn: Deine vorherigen Angaben sind nicht mehr bekannt.',
    'trouble' => 'Das hat nicht geklappt. Bitte versuche es gleich noch einmal.',
    'trouble_kept' => 'Das hat nicht geklappt. Bitte versuche es gleich noch einmal: Deine Angaben sind noch da.',
    'close' => 'Schließen',
];
