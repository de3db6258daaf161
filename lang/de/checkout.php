<?php

declare(strict_types=1);

return [
    'amount' => 'Dein Betrag, in {currency}',
    'name' => 'Name auf dem Beleg',
    'code_question' => 'Ich habe einen Code',
    'code' => 'Code',
    'use' => 'Einlösen',
    'update' => 'Summe aktualisieren',
    'no_script' => 'Die Kartenfelder brauchen JavaScript, das in deinem Browser ausgeschaltet ist. Deine Angaben gehen nicht verloren: '
        .'Erlaube es für diese Seite und lade sie neu.',
    'add' => 'Ja, {product} dazu.',
    'pay' => 'Jetzt bezahlen',
    'off' => 'Code {code} ({what})',
    'off_own' => 'Dein eigener Code ({what})',
    'tax' => 'Steuer ({rate, number, ::percent .##})',
    'tax_included' => 'Enthaltene Steuer ({rate, number, ::percent .##})',
    'total' => 'Summe',
    'due' => 'Jetzt zu zahlen',
    'too_long' => 'Das ist zu lang: höchstens {most, plural, one {# Zeichen} other {# Zeichen}}.',
    'no_email' => 'Wohin soll der Beleg gehen?',
    'changed' => 'Diese Seite hat sich geändert, seit du sie geöffnet hast. Bitte sieh sie noch einmal durch, bevor du bezahlst.',
    'price_changed' => 'Der Preis hat sich geändert, seit du diese Seite geöffnet hast: Er beträgt jetzt {price}, und es wurde nichts '
        .'abgebucht. Bitte sieh alles noch einmal durch, bevor du bezahlst.',
    'no_amount' => 'Wie viel möchtest du bezahlen?',
    'least' => 'Der kleinste Betrag ist {amount}.',
    'no_such_amount' => 'Ein Betrag wird in Ziffern geschrieben, zum Beispiel {example}.',
    'decimals' => 'Ein Betrag in {currency} hat {decimals, plural, =0 {keine Nachkommastellen} one {höchstens # Nachkommastelle} other '
        .'{höchstens # Nachkommastellen}}, zum Beispiel {example}.',
    'too_much' => 'Dieser Betrag ist zu groß.',
    'no_card' => 'Bitte gib deine Karte ein. Ihre Felder brauchen JavaScript, das in deinem Browser ausgeschaltet oder blockiert ist.',
    'look_again' => 'Bitte sieh deine Bestellung noch einmal durch.',
    'old_uncharged' => 'Diese Seite war lange geöffnet. Es wurde nichts abgebucht: Bitte drücke noch einmal auf den Knopf.',
    'card_silent' => 'Die Kartenfelder haben nicht geantwortet. Es wurde nichts abgebucht: Bitte lade die Seite neu.',
    'sum_later' => 'Die Summe ließ sich gerade nicht berechnen. Sie steht auf der nächsten Seite, bevor etwas abgebucht wird.',
];
