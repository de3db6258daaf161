<?php

declare(strict_types=1);

return [
    'title' => 'Noch ein Schritt: Sehen Sie in Ihr Postfach',
    'text' => 'Eine kurze E-Mail ist unterwegs zu Ihnen. Drücken Sie darin auf den Knopf, und Sie sind dabei. Ist sie in zwei Minuten '
        .'nicht da, sehen Sie im Spam-Ordner nach.',
    'subject' => 'Bitte bestätigen: Ist das Ihre Adresse?',
    'body' => 'jemand, vermutlich Sie, hat das bei {business} angefordert. Ein Klick, und es gehört Ihnen:',
    'not_you' => 'Waren Sie das nicht, brauchen Sie nichts zu tun: Ohne diesen Klick kommt nichts weiter.',
    'just_sent' => 'Gerade eben ging eine E-Mail hinaus. Geben Sie ihr eine Minute, sehen Sie im Spam-Ordner nach, und prüfen Sie die '
        .'Adresse auf Tippfehler.',
    'ask' => ['title' => 'Ist das Ihre Adresse?', 'words' => 'Ein Klick, und Sie sind dabei.'],
];
