<?php

declare(strict_types=1);

// Whether something can be bought, told in place of its checkout.
return [
    'on_sale' => ['title' => 'It can be bought', 'words' => 'It can be bought now.'],
    'not_yet' => ['title' => 'Not open yet', 'words' => 'It is not sold yet. Nothing has been charged.'],
    'over' => ['title' => 'This offer is over', 'words' => 'It is not sold any more. Nothing has been charged.'],
    'sold_out' => [
        'title' => 'All places are taken',
        'words' => 'Somebody took the last place before you. Nothing has been charged.',
    ],
    'already_bought' => [
        'title' => 'You have this already',
        'words' => 'It was bought with this address before. Nothing has been charged. The link in your receipt opens all that is yours.',
    ],
    'time_ran_out' => [
        'title' => 'The time for this offer has run out',
        'words' => 'It was open to you for a limited time, and that is over, on every device and by every link. Nothing has been charged.',
    ],
    'time_not_begun' => [
        'title' => 'This offer is not open to you yet',
        'words' => 'It opens to those who were invited to it. Please come by the link in your email. Nothing has been charged.',
    ],
    // Of something that is bought along with the main thing.
    'of' => '{name}: {why}',
    'gone' => 'This offer is gone. Nothing has been charged.',
    'other_currency' => 'This offer is sold in another currency than your order.',
    'no_card' => 'There is no card to charge: your order was free. Please buy it from its own page.',
    'join' => 'See how to join',
    'buyers_only' => 'This is for those who have just bought.',
    'one_click' => 'Charged to your card, with one click.',
    'one_click_card' => 'Charged to your card ending in {ends}, with one click.',
    'order_stands' => '{why} Nothing was charged for this offer, and your order stands as it was.',
];
