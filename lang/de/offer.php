<?php

declare(strict_types=1);

return [
    'on_sale' => ['title' => 'Jetzt erhältlich', 'words' => 'Du kannst es jetzt kaufen.'],
    'not_yet' => ['title' => 'Noch nicht geöffnet', 'words' => 'Der Verkauf hat noch nicht begonnen. Es wurde nichts abgebucht.'],
    'over' => ['title' => 'Dieses Angebot ist vorbei', 'words' => 'Es wird nicht mehr verkauft. Es wurde nichts abgebucht.'],
    'sold_out' => [
        'title' => 'Alle Plätze sind vergeben',
        'words' => 'Den letzten Platz hat jemand vor dir bekommen. Es wurde nichts abgebucht.',
    ],
    'already_bought' => [
        'title' => 'Das hast du schon',
        'words' => 'Es wurde mit dieser Adresse bereits gekauft. Es wurde nichts abgebucht. Der Link in deinem Beleg öffnet alles, was dir '
            .'gehört.',
    ],
    'time_ran_out' => [
        'title' => 'Die Zeit für dieses Angebot ist abgelaufen',
        'words' => 'Es war für begrenzte Zeit für dich geöffnet, und die ist vorbei, auf jedem Gerät und über jeden Link. Es wurde nichts '
            .'abgebucht.',
    ],
    'time_not_begun' => [
        'title' => 'Dieses Angebot ist für dich noch nicht geöffnet',
        'words' => 'Es öffnet sich für alle, die dazu eingeladen wurden. Bitte komm über den Link in deiner E-Mail. Es wurde nichts '
            .'abgebucht.',
    ],
    'of' => '{name}: {why}',
    'gone' => 'Dieses Angebot gibt es nicht mehr. Es wurde nichts abgebucht.',
    'other_currency' => 'Dieses Angebot wird in einer anderen Währung verkauft als deine Bestellung.',
    'no_card' => 'Es gibt keine Karte, die belastet werden könnte: Deine Bestellung war kostenlos. Bitte kaufe es auf der eigenen Seite.',
    'join' => 'So kannst du dabei sein',
    'buyers_only' => 'Das ist für alle, die gerade gekauft haben.',
    'one_click' => 'Mit einem Klick von deiner Karte abgebucht.',
    'one_click_card' => 'Mit einem Klick von deiner Karte mit der Endung {ends} abgebucht.',
    'order_stands' => '{why} Für dieses Angebot wurde nichts abgebucht, und deine Bestellung bleibt, wie sie war.',
];
