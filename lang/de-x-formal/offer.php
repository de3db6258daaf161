<?php

declare(strict_types=1);

return [
    'on_sale' => ['words' => 'Sie können es jetzt kaufen.'],
    'sold_out' => ['words' => 'Den letzten Platz hat jemand vor Ihnen bekommen. Es wurde nichts abgebucht.'],
    'already_bought' => [
        'title' => 'Das haben Sie schon',
        'words' => 'Es wurde mit dieser Adresse bereits gekauft. Es wurde nichts abgebucht. Der Link in Ihrem Beleg öffnet alles, was Ihnen '
            .'gehört.',
    ],
    'time_ran_out' => [
        'words' => 'Es war für begrenzte Zeit für Sie geöffnet, und die ist vorbei, auf jedem Gerät und über jeden Link. Es wurde nichts '
            .'abgebucht.',
    ],
    'time_not_begun' => [
        'title' => 'Dieses Angebot ist für Sie noch nicht geöffnet',
        'words' => 'Es öffnet sich für alle, die dazu eingeladen wurden. Bitte kommen Sie über den Link in Ihrer E-Mail. Es wurde nichts '
            .'abgebucht.',
    ],
    'other_currency' => 'Dieses Angebot wird in einer anderen Währung verkauft als Ihre Bestellung.',
    'no_card' => 'Es gibt keine Karte, die belastet werden könnte: Ihre Bestellung war kostenlos. Bitte kaufen Sie es auf der eigenen '
        .'Seite.',
    'join' => 'So können Sie dabei sein',
    'one_click' => 'Mit einem Klick von Ihrer Karte abgebucht.',
    'one_click_card' => 'Mit einem Klick von Ihrer Karte mit der Endung {ends} abgebucht.',
    'order_stands' => '{why} Für dieses Angebot wurde nichts abgebucht, und Ihre Bestellung bleibt, wie sie war.',
];
