<?php

declare(strict_types=1);

return [
    'words' => 'Alles wat u bij {business} hebt gekocht. Bewaar de link naar deze pagina: er is geen wachtwoord nodig.',
    'approve' => 'Bij uw bank goedkeuren',
    'no_script' => 'De kaartvelden hebben JavaScript nodig, dat in uw browser uitstaat.',
    'new_card' => 'Dank u wel. De nieuwe kaart is ingesteld.',
    'thanks' => 'Dank u wel voor uw bestelling',
    'your_order' => 'Uw bestelling',
    'summary' => 'Betaald: {amount}. Bestelling {number}. De bon gaat naar {email}, en de link daarin opent alles wat u hebt gekocht.',
    'by_receipt' => 'Wat u hebt gekocht opent u met de link in uw bon.',
];
