<?php

declare(strict_types=1);

return [
    'hello' => 'Guten Tag {name},',
    'hello_nobody' => 'Guten Tag,',
    'link' => [
        'subject' => 'Ihr neuer Download-Link',
        'here_unnamed' => 'hier ist ein neuer Link zu Ihrem Download:',
        'not_you' => 'Sie haben ihn auf unserer Seite angefordert. Waren Sie das nicht, brauchen Sie nichts zu tun.',
    ],
    'session' => [
        'room' => 'Ihr Link in den Raum',
        'place' => [
            'subject' => 'Sie haben einen Platz: {webinar}',
            'words' => 'Ein Platz ist frei geworden, und er gehört Ihnen: „{webinar}“, {moment}.',
            'cannot' => 'Sie können doch nicht kommen? <link>Wählen Sie einen anderen Termin, oder geben Sie Ihren Platz weiter</link>.',
        ],
        'moved' => [
            'words' => '„{webinar}“ findet jetzt zu einem anderen Termin statt: {moment}. Ihr Platz bleibt Ihnen.',
            'cannot' => 'Das passt Ihnen nicht? <link>Wählen Sie einen anderen Termin</link>.',
        ],
        'cancelled' => ['words' => 'Es tut uns leid: „{webinar}“ findet zu dem Termin, den Sie gewählt hatten, nicht statt.'],
        'again' => [
            'subject' => 'Sie haben schon einen Platz: {webinar}',
            'words' => 'Jemand, hoffentlich Sie, hat Sie gerade für „{webinar}“ angemeldet. Sie haben dort schon einen Platz: {moment}.',
        ],
    ],
    'receipt' => [
        'purchase' => ['subject' => 'Ihr Beleg: {what}', 'words' => 'Vielen Dank. Hier ist Ihr Beleg mit der Nummer {number}:'],
        'payment' => ['words' => 'Ihre Zahlung ist angekommen. Beleg Nummer {number}:'],
        'refund' => ['words' => 'Ihr Geld ist auf dem Weg zurück zu Ihnen. Nummer {number}:'],
        'open' => 'Öffnen, was Sie gekauft haben',
        'about' => 'Dieser Link gehört nur Ihnen: Er öffnet ohne Passwort alles, was Sie gekauft haben, Ihre Belege und die Karte für '
            .'Ratenzahlungen. <link>Beleg als PDF</link>.',
    ],
    'trouble' => [
        'subject' => 'Eine Zahlung braucht Sie',
        'bank' => 'die nächste Zahlung für „{what}“, {amount}, wartet auf Sie: Ihre Bank möchte, dass Sie sie freigeben.',
        'again' => 'Wir versuchen es wieder: {day}. Wenn eine andere Karte besser wäre, geben Sie sie hier ein, und es wird gleich bezahlt:',
    ],
];
