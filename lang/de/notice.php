<?php

declare(strict_types=1);

return [
    'not_here' => [
        'title' => 'Unter dieser Adresse gibt es keine Seite',
        'words' => 'Bitte prüfe den Link auf Tippfehler, oder frage nach, von wem du ihn hast.',
    ],
    'closed' => [
        'title' => 'Dieses Angebot ist im Moment geschlossen',
        'words' => 'Danke, dass du vorbeischaust. Anmeldungen sind gerade nicht möglich, und es wurde nichts gespeichert.',
    ],
    'not_open_yet' => [
        'title' => 'Noch nicht geöffnet',
        'words' => 'Danke, dass du vorbeischaust. Es geht los: {moment}.',
    ],
    'preview_over' => [
        'title' => 'Diese Vorschau ist abgelaufen',
        'words' => 'Links zu einer Vorschau gelten zwei Wochen. Bitte frage nach einem neuen, von wem du diesen hast.',
    ],
    'too_many' => [
        'title' => 'Einen Moment bitte',
        'words' => 'Über deinen Anschluss kamen in den letzten Minuten sehr viele Anmeldungen. Mit deiner ist alles in Ordnung: Bitte geh '
            .'zurück und drücke in zehn Minuten noch einmal auf den Knopf.',
    ],
    'too_many_payments' => [
        'title' => 'Einen Moment bitte',
        'words' => 'Über deinen Anschluss wurde in den letzten Minuten sehr oft versucht zu bezahlen. Durch diesen Versuch wurde nichts '
            .'abgebucht: Bitte geh zurück und drücke in zehn Minuten noch einmal auf den Knopf.',
    ],
    'session_gone' => [
        'title' => 'Dieser Termin ist nicht mehr wählbar',
        'words' => 'Er hat begonnen, ist vorbei oder wurde inzwischen abgesagt. Dein bisheriger Termin bleibt dir.',
    ],
    'time_is_up' => [
        'title' => 'Die Zeit dafür ist abgelaufen',
        'words' => 'Was hier stand, war für begrenzte Zeit für dich geöffnet, und die ist vorbei.',
    ],
    'go_on' => [
        'title' => 'Danke',
        'words' => 'Du bist dabei. Was du angefordert hast, ist unterwegs.',
    ],
    'starts_now' => [
        'title' => 'Deine Zeit läuft, sobald du weitergehst',
        'words' => 'Was hinter diesem Link steht, ist für begrenzte Zeit für dich geöffnet. Sie beginnt, wenn du auf den Knopf drückst, und '
            .'nicht vorher, damit kein Programm, das deine E-Mails prüft, sie für dich startet.',
        'button' => 'Weiter, meine Zeit beginnt',
    ],
    'paying_now' => [
        'title' => 'Einen Moment: Deine Zahlung ist unterwegs',
        'words' => 'Deine Bank hat uns noch nicht geantwortet. Diese Seite fragt alle paar Sekunden selbst nach und führt dich weiter. Du '
            .'kannst sie auch schließen: Der Beleg kommt per E-Mail, und nichts wird doppelt abgebucht.',
    ],
    'not_paid' => ['title' => 'Die Zahlung hat nicht geklappt'],
    'link_not_yours' => [
        'title' => 'Dieser Link führt zu nichts',
        'words' => 'Bitte öffne ihn noch einmal aus deinem Beleg: Dort ist er vollständig.',
    ],
    'access_paused' => [
        'title' => 'Der Zugang ruht',
        'words' => 'Eine Zahlung dafür ist offen. Sobald sie eingegangen ist, öffnet sich alles wieder. Über den Link in deinem Beleg und '
            .'in der E-Mail zur Zahlung kannst du dich darum kümmern.',
    ],
    'access_ended' => [
        'title' => 'Das ist für dich nicht mehr geöffnet',
        'words' => 'Der Zugang ist beendet, zum Beispiel nach einer Erstattung. Ist das ein Irrtum, schreib bitte dorthin, wo du gekauft '
            .'hast.',
    ],
    'for_buyers' => [
        'title' => 'Diese Seite ist für alle, die gekauft haben',
        'words' => 'Bitte öffne sie über den Link in deinem Beleg. Er erkennt dich.',
    ],
    'link_over' => [
        'title' => 'Dieser Download-Link ist abgelaufen',
        'words' => 'Download-Links gelten nur eine Weile. Gib deine E-Mail-Adresse an, und ein neuer kommt in dein Postfach.',
        'button' => 'Neuen Link schicken',
    ],
    'link_on_its_way' => [
        'title' => 'Bitte schau in dein Postfach',
        'words' => 'Wenn wir diese Adresse kennen, ist ein neuer Link unterwegs und in ein bis zwei Minuten da.',
    ],
    'file_gone' => [
        'title' => 'Diese Datei gibt es nicht mehr',
        'words' => 'Der Download wurde zurückgezogen.',
    ],
    'leave' => [
        'title' => 'Abmelden?',
        'words' => 'Du bekommst dann keine E-Mails von {business} mehr.',
        'less' => 'Würde dir weniger reichen, oder soll dir {business} gar nicht mehr schreiben?',
        'button' => 'Ja, ganz abmelden',
        'no_news' => 'Nur noch, was ich angefordert habe, keine Neuigkeiten',
        'no_series' => 'Diese Reihe nicht mehr, aber ab und zu Neuigkeiten',
        'quiet' => 'Einen Monat lang nichts',
    ],
    'left' => [
        'title' => 'Du bist abgemeldet',
        'words' => 'Du bekommst keine E-Mails von {business} mehr. Danke, dass du sie gelesen hast.',
        'mistake' => 'Aus Versehen gedrückt?',
        'back' => 'Rückgängig machen',
    ],
    'less_often' => [
        'title' => 'Du bekommst weniger',
        'words' => '{business} schickt dir keine E-Mails dieser Art mehr.',
    ],
    'quiet' => [
        'title' => 'Ein Monat Ruhe',
        'words' => '{business} schreibt dir erst in dreißig Tagen wieder.',
    ],
    'subscribed_again' => [
        'title' => 'Alles wie zuvor',
        'words' => 'Du bekommst die E-Mails von {business} wieder.',
    ],
    'busy' => [
        'title' => 'Einen Moment bitte',
        'form' => 'Hier ist gerade sehr viel los, und was du abgeschickt hast, kam noch nicht an. Es ist alles noch da.',
        'form_again' => 'In ein paar Sekunden geht es von selbst noch einmal los.',
        'form_or' => 'Oder drücke auf den Knopf.',
        'send' => 'Noch einmal senden',
        'words' => 'Hier ist gerade sehr viel los. Diese Seite öffnet sich in ein paar Sekunden von selbst.',
        'again' => 'Noch einmal versuchen',
        'stored' => 'Im Moment lässt sich nichts speichern: Die Datenbank ist ausgelastet, oder der Speicher ist voll. Was du eingegeben '
            .'hast, bleibt hier und wird von selbst noch einmal gesendet.',
    ],
    'to' => [
        'first_page' => 'Zur ersten Seite',
        'now' => 'Zum aktuellen Angebot',
        'other_times' => 'Zu den anderen Terminen',
        'again' => 'Noch einmal versuchen',
        'on' => 'Weiter',
    ],
];
