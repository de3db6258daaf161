<?php

declare(strict_types=1);

return [
    'members' => 'Deze ruimte is voor wie zich aanmeldde. Open haar met de link in onze e-mail, of <link>meldt u zich hier aan</link>.',
    'go_on' => 'U kunt verder waar u was.',
    'over' => 'Deze sessie is voorbij. Fijn dat u er was.',
    'cancelled' => 'Deze sessie gaat niet door. De link in uw e-mail brengt u naar de andere data.',
    'waiting' => 'Alle plaatsen zijn bezet. Zodra er een vrij is, hoort u het per e-mail.',
    'mine' => '(uw antwoord)',
    'lost' => 'Dat is niet gelukt. Uw tekst is er nog.',
    'offline' => 'Er is nu geen verbinding. Uw tekst is er nog: stuur hem opnieuw.',
    'no_stream' => 'Hier is geen beeld. Vragen kunt u hieronder stellen.',
    'no_question' => 'Schrijf eerst uw vraag.',
];
