<?php

declare(strict_types=1);

return [
    'close' => 'Sluiten',
    'menu' => 'Menu',
    'time_is_up' => 'De tijd is om.',
    'time_is_up_short' => 'De tijd is om',
    'watch' => 'Bekijk de video',
    'share' => 'Delen',
    'copy' => 'Link kopiëren',
    'copied' => 'Gekopieerd',
    'email' => 'Per e-mail',
    'preview' => 'Voorbeeld van een concept. Niets van wat hier gebeurt, wordt opgeslagen.',
    'copy_no_buy' => 'Deze kopie van de pagina is niet met een site verbonden, dus hier kan niets worden gekocht.',
    'copy_no_form' => 'Deze kopie van de pagina is niet met een site verbonden, dus het formulier kan niet worden verstuurd.',
    'to_checkout' => 'Naar de kassa',
];
