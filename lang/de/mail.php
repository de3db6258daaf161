<?php

declare(strict_types=1);

return [
    'hello' => 'Hallo {name},',
    'there' => 'und willkommen',
    'hello_nobody' => 'Hallo,',
    'unsubscribe' => 'Abmelden oder weniger bekommen',
    'unsubscribe_at' => 'Abmelden: {address}',
    'no_subject' => '(kein Betreff)',
    'link' => [
        'subject' => 'Dein neuer Download-Link',
        'here' => 'hier ist ein neuer Link zu „{file}“:',
        'here_unnamed' => 'hier ist ein neuer Link zu deinem Download:',
        'download' => 'Jetzt herunterladen',
        'not_you' => 'Du hast ihn auf unserer Seite angefordert. Warst du das nicht, brauchst du nichts zu tun.',
    ],
    'session' => [
        'room' => 'Dein Link in den Raum',
        'calendar' => 'In den Kalender eintragen',
        'choose' => 'Anderen Termin wählen',
        'place' => [
            'subject' => 'Du hast einen Platz: {webinar}',
            'words' => 'Ein Platz ist frei geworden, und er gehört dir: „{webinar}“, {moment}.',
            'cannot' => 'Du kannst doch nicht kommen? <link>Wähle einen anderen Termin, oder gib deinen Platz weiter</link>.',
        ],
        'moved' => [
            'subject' => 'Neuer Termin: {webinar}',
            'words' => '„{webinar}“ findet jetzt zu einem anderen Termin statt: {moment}. Dein Platz bleibt dir.',
            'calendar' => 'Kalender aktualisieren',
            'cannot' => 'Das passt dir nicht? <link>Wähle einen anderen Termin</link>.',
        ],
        'cancelled' => [
            'subject' => 'Abgesagt: {webinar}',
            'words' => 'Es tut uns leid: „{webinar}“ findet zu dem Termin, den du gewählt hattest, nicht statt.',
            'calendar' => 'Aus dem Kalender nehmen',
        ],
        'again' => [
            'subject' => 'Du hast schon einen Platz: {webinar}',
            'words' => 'Jemand, hoffentlich du, hat dich gerade für „{webinar}“ angemeldet. Du hast dort schon einen Platz: {moment}.',
        ],
    ],
    'receipt' => [
        'purchase' => ['subject' => 'Dein Beleg: {what}', 'words' => 'Danke. Hier ist dein Beleg mit der Nummer {number}:'],
        'payment' => ['subject' => 'Zahlung erhalten: {what}', 'words' => 'Deine Zahlung ist angekommen. Beleg Nummer {number}:'],
        'refund' => ['subject' => 'Erstattung: {what}', 'words' => 'Dein Geld ist auf dem Weg zurück zu dir. Nummer {number}:'],
        'line' => '{name}: {amount}',
        'line_off' => '{name}: {amount} ({discount} Rabatt)',
        'total' => 'Summe: {amount}',
        'paid' => 'Bezahlt: {amount}',
        'tax' => 'Darin {tax}: {amount}',
        'later' => 'Noch offen, von derselben Karte abgebucht:',
        'payment_on' => '{day}: {amount}',
        'open' => 'Öffnen, was du gekauft hast',
        'about' => 'Dieser Link gehört nur dir: Er öffnet ohne Passwort alles, was du gekauft hast, deine Belege und die Karte für '
            .'Ratenzahlungen. <link>Beleg als PDF</link>.',
    ],
    'trouble' => [
        'subject' => 'Eine Zahlung braucht dich',
        'bank' => 'die nächste Zahlung für „{what}“, {amount}, wartet auf dich: Deine Bank möchte, dass du sie freigibst.',
        'approve' => 'Bei der Bank freigeben',
        'failed' => 'die nächste Zahlung für „{what}“, {amount}, hat nicht geklappt. {why}',
        'again' => 'Wir versuchen es wieder: {day}. Wenn eine andere Karte besser wäre, gib sie hier ein, und es wird gleich bezahlt:',
        'given_up' => 'wir haben mehrmals versucht, die Zahlung von {amount} für „{what}“ abzubuchen, und es hat nicht geklappt. Bis sie '
            .'bezahlt ist, ruht der Zugang.',
        'card' => 'Eine andere Karte verwenden',
    ],
];
