<?php

declare(strict_types=1);

return [
    'choose' => 'Kies uw datum',
    'none' => 'Er is op dit moment geen datum. Laat uw adres achter, en u hoort van de volgende.',
    'any_time' => 'Zodra u wilt',
    'keep' => 'Houd een plaats voor mij vrij',
    'known' => 'We kennen u van onze e-mails: u hoeft niets in te vullen.',
    'at_once' => 'Het begint zodra u wilt.',
    'room' => 'Naar uw ruimte',
    'yours' => 'De link naar uw ruimte is alleen van u en werkt op al uw apparaten. Hij staat ook in uw inbox.',
    'waiting' => 'Alle plaatsen zijn bezet. U staat op de wachtlijst: zodra er een vrij is, is die van u, en u hoort het per e-mail.',
    'called_off_choose' => 'Deze sessie is afgelast. U kunt een andere datum kiezen.',
    'cancelled' => 'Uw plaats is geannuleerd.',
    'cancelled_choose' => 'Uw plaats is geannuleerd. U kunt een andere datum kiezen.',
    'over' => 'De sessie die u had gekozen is voorbij.',
    'list' => 'Er is nog geen volgende datum. U hoort het per e-mail, en kunt dan kiezen.',
    'inbox' => 'Kijk in uw inbox: daar staan uw datum en uw link naar de ruimte.',
    'not_here' => 'In deze browser bent u niet aangemeld. <link>Meldt u zich hier aan</link>, of open uw link uit onze e-mail.',
];
