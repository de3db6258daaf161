<?php

declare(strict_types=1);

return [
    'on_sale' => [
        'title' => 'Nu te koop',
        'words' => 'Je kunt het nu kopen.',
    ],
    'not_yet' => [
        'title' => 'Nog niet open',
        'words' => 'Het wordt nog niet verkocht. Er is niets afgeschreven.',
    ],
    'over' => [
        'title' => 'Dit aanbod is voorbij',
        'words' => 'Het wordt niet meer verkocht. Er is niets afgeschreven.',
    ],
    'sold_out' => [
        'title' => 'Alle plaatsen zijn bezet',
        'words' => 'Iemand nam de laatste plaats vóór jou. Er is niets afgeschreven.',
    ],
    'already_bought' => [
        'title' => 'Dit heb je al',
        'words' => 'Het is al met dit adres gekocht. Er is niets afgeschreven. De link in je bon opent alles wat van jou is.',
    ],
    'time_ran_out' => [
        'title' => 'De tijd voor dit aanbod is om',
        'words' => 'Het was voor jou een beperkte tijd open, en die is voorbij, op elk apparaat en met elke link. Er is niets '
            .'afgeschreven.',
    ],
    'time_not_begun' => [
        'title' => 'Dit aanbod is voor jou nog niet open',
        'words' => 'Het opent voor wie ervoor is uitgenodigd. Kom via de link in je e-mail. Er is niets afgeschreven.',
    ],
    'of' => '{name}: {why}',
    'gone' => 'Dit aanbod bestaat niet meer. Er is niets afgeschreven.',
    'other_currency' => 'Dit aanbod wordt in een andere munt verkocht dan je bestelling.',
    'no_card' => 'Er is geen kaart om van af te schrijven: je bestelling was gratis. Koop het op de eigen pagina.',
    'join' => 'Bekijk hoe je meedoet',
    'buyers_only' => 'Dit is voor wie net heeft gekocht.',
    'one_click' => 'Met één klik van je kaart afgeschreven.',
    'one_click_card' => 'Met één klik afgeschreven van je kaart die eindigt op {ends}.',
    'order_stands' => '{why} Voor dit aanbod is niets afgeschreven, en je bestelling blijft zoals ze was.',
];
