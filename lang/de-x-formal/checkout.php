<?php

declare(strict_types=1);

return [
    'amount' => 'Ihr Betrag, in {currency}',
    'no_script' => 'Die Kartenfelder brauchen JavaScript, das in Ihrem Browser ausgeschaltet ist. Ihre Angaben gehen nicht verloren: '
        .'Erlauben Sie es für diese Seite und laden Sie sie neu.',
    'off_own' => 'Ihr eigener Code ({what})',
    'changed' => 'Diese Seite hat sich geändert, seit Sie sie geöffnet haben. Bitte sehen Sie sie noch einmal durch, bevor Sie bezahlen.',
    'price_changed' => 'Der Preis hat sich geändert, seit Sie diese Seite geöffnet haben: Er beträgt jetzt {price}, und es wurde nichts '
        .'abgebucht. Bitte sehen Sie alles noch einmal durch, bevor Sie bezahlen.',
    'no_amount' => 'Wie viel möchten Sie bezahlen?',
    'no_card' => 'Bitte geben Sie Ihre Karte ein. Ihre Felder brauchen JavaScript, das in Ihrem Browser ausgeschaltet oder blockiert ist.',
    'look_again' => 'Bitte sehen Sie Ihre Bestellung noch einmal durch.',
    'old_uncharged' => 'Diese Seite war lange geöffnet. Es wurde nichts abgebucht: Bitte drücken Sie noch einmal auf den Knopf.',
    'card_silent' => 'Die Kartenfelder haben nicht geantwortet. Es wurde nichts abgebucht: Bitte laden Sie die Seite neu.',
];
