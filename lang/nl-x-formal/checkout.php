<?php

declare(strict_types=1);

return [
    'amount' => 'Uw bedrag, in {currency}',
    'no_script' => 'De kaartvelden hebben JavaScript nodig, dat in uw browser uitstaat. Wat u hebt ingevuld gaat niet verloren: sta het '
        .'voor deze pagina toe en laad haar opnieuw.',
    'off_own' => 'Uw eigen code ({what})',
    'changed' => 'Deze pagina is veranderd sinds u haar opende. Bekijk haar nog een keer voordat u betaalt.',
    'price_changed' => 'De prijs is veranderd sinds u deze pagina opende: hij is nu {price}, en er is niets afgeschreven. Bekijk alles '
        .'nog een keer voordat u betaalt.',
    'no_amount' => 'Hoeveel wilt u betalen?',
    'no_card' => 'Vul uw kaart in. De velden hebben JavaScript nodig, dat in uw browser uitstaat of geblokkeerd is.',
    'look_again' => 'Bekijk uw bestelling nog een keer.',
];
