<?php

declare(strict_types=1);

return [
    'not_here' => ['words' => 'Bitte prüfen Sie den Link auf Tippfehler, oder fragen Sie nach, von wem Sie ihn haben.'],
    'closed' => ['words' => 'Vielen Dank für Ihren Besuch. Anmeldungen sind zurzeit nicht möglich, und es wurde nichts gespeichert.'],
    'not_open_yet' => ['words' => 'Vielen Dank für Ihren Besuch. Wir öffnen: {moment}.'],
    'preview_over' => ['words' => 'Links zu einer Vorschau gelten zwei Wochen. Bitte fragen Sie nach einem neuen, von wem Sie diesen haben.'],
    'too_many' => [
        'words' => 'Über Ihren Anschluss kamen in den letzten Minuten sehr viele Anmeldungen. Mit Ihrer ist alles in Ordnung: Bitte gehen '
            .'Sie zurück und drücken Sie in zehn Minuten noch einmal auf den Knopf.',
    ],
    'too_many_payments' => [
        'words' => 'Über Ihren Anschluss wurde in den letzten Minuten sehr oft versucht zu bezahlen. Durch diesen Versuch wurde nichts '
            .'abgebucht: Bitte gehen Sie zurück und drücken Sie in zehn Minuten noch einmal auf den Knopf.',
    ],
    'session_gone' => ['words' => 'Er hat begonnen, ist vorbei oder wurde inzwischen abgesagt. Ihr bisheriger Termin bleibt Ihnen.'],
    'time_is_up' => ['words' => 'Was hier stand, war für begrenzte Zeit für Sie geöffnet, und die ist vorbei.'],
    'go_on' => ['title' => 'Vielen Dank', 'words' => 'Sie sind dabei. Was Sie angefordert haben, ist unterwegs.'],
    'starts_now' => [
        'title' => 'Ihre Zeit läuft, sobald Sie weitergehen',
        'words' => 'Was hinter diesem Link steht, ist für begrenzte Zeit für Sie geöffnet. Sie beginnt, wenn Sie auf den Knopf drücken, und '
            .'nicht vorher, damit kein Programm, das Ihre E-Mails prüft, sie für Sie startet.',
    ],
    'paying_now' => [
        'title' => 'Einen Moment: Ihre Zahlung ist unterwegs',
        'words' => 'Ihre Bank hat uns noch nicht geantwortet. Diese Seite fragt alle paar Sekunden selbst nach und führt Sie weiter. Sie '
            .'können sie auch schließen: Der Beleg kommt per E-Mail, und nichts wird doppelt abgebucht.',
    ],
    'link_not_yours' => ['words' => 'Bitte öffnen Sie ihn noch einmal aus Ihrem Beleg: Dort ist er vollständig.'],
    'access_paused' => [
        'words' => 'Eine Zahlung dafür ist offen. Sobald sie eingegangen ist, öffnet sich alles wieder. Über den Link in Ihrem Beleg und '
            .'in der E-Mail zur Zahlung können Sie sich darum kümmern.',
    ],
    'access_ended' => [
        'title' => 'Das ist für Sie nicht mehr geöffnet',
        'words' => 'Der Zugang ist beendet, zum Beispiel nach einer Erstattung. Ist das ein Irrtum, schreiben Sie bitte dorthin, wo Sie '
            .'gekauft haben.',
    ],
    'for_buyers' => ['words' => 'Bitte öffnen Sie sie über den Link in Ihrem Beleg. Er erkennt Sie.'],
    'link_over' => [
        'words' => 'Download-Links gelten nur eine Weile. Geben Sie Ihre E-Mail-Adresse an, und ein neuer kommt in Ihr Postfach.',
    ],
    'link_on_its_way' => ['title' => 'Bitte sehen Sie in Ihr Postfach'],
    'leave' => [
        'words' => 'Sie bekommen dann keine E-Mails von {business} mehr.',
        'less' => 'Würde Ihnen weniger reichen, oder soll Ihnen {business} gar nicht mehr schreiben?',
    ],
    'left' => [
        'title' => 'Sie sind abgemeldet',
        'words' => 'Sie bekommen keine E-Mails von {business} mehr. Vielen Dank, dass Sie sie gelesen haben.',
    ],
    'less_often' => [
        'title' => 'Sie bekommen weniger',
        'words' => '{business} schickt Ihnen keine E-Mails dieser Art mehr.',
    ],
    'quiet' => ['words' => '{business} schreibt Ihnen erst in dreißig Tagen wieder.'],
    'subscribed_again' => ['words' => 'Sie bekommen die E-Mails von {business} wieder.'],
    'busy' => [
        'form' => 'Hier ist gerade sehr viel los, und was Sie abgeschickt haben, kam noch nicht an. Es ist alles noch da.',
        'form_or' => 'Oder drücken Sie auf den Knopf.',
        'stored' => 'Im Moment lässt sich nichts speichern: Die Datenbank ist ausgelastet, oder der Speicher ist voll. Was Sie eingegeben '
            .'haben, bleibt hier und wird von selbst noch einmal gesendet.',
    ],
];
