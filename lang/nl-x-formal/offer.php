<?php

declare(strict_types=1);

return [
    'on_sale' => [
        'words' => 'U kunt het nu kopen.',
    ],
    'sold_out' => [
        'words' => 'Iemand nam de laatste plaats vóór u. Er is niets afgeschreven.',
    ],
    'already_bought' => [
        'title' => 'Dit hebt u al',
        'words' => 'Het is al met dit adres gekocht. Er is niets afgeschreven. De link in uw bon opent alles wat van u is.',
    ],
    'time_ran_out' => [
        'words' => 'Het was voor u een beperkte tijd open, en die is voorbij, op elk apparaat en met elke link. Er is niets '
            .'afgeschreven.',
    ],
    'time_not_begun' => [
        'title' => 'Dit aanbod is voor u nog niet open',
        'words' => 'Het opent voor wie ervoor is uitgenodigd. Kom via de link in uw e-mail. Er is niets afgeschreven.',
    ],
    'other_currency' => 'Dit aanbod wordt in een andere munt verkocht dan uw bestelling.',
    'no_card' => 'Er is geen kaart om van af te schrijven: uw bestelling was gratis. Koop het op de eigen pagina.',
    'join' => 'Bekijk hoe u meedoet',
    'one_click' => 'Met één klik van uw kaart afgeschreven.',
    'one_click_card' => 'Met één klik afgeschreven van uw kaart die eindigt op {ends}.',
    'order_stands' => '{why} Voor dit aanbod is niets afgeschreven, en uw bestelling blijft zoals ze was.',
];
