<?php

declare(strict_types=1);

return [
    'close' => 'Schließen',
    'menu' => 'Menü',
    'time_is_up' => 'Die Zeit ist abgelaufen.',
    'time_is_up_short' => 'Die Zeit ist abgelaufen',
    'watch' => 'Video ansehen',
    'share' => 'Teilen',
    'copy' => 'Link kopieren',
    'copied' => 'Kopiert',
    'email' => 'Per E-Mail',
    'preview' => 'Vorschau eines Entwurfs. Nichts, was hier geschieht, wird gespeichert.',
    'copy_no_buy' => 'Diese Kopie der Seite ist mit keiner Website verbunden. Hier lässt sich nichts kaufen.',
    'copy_no_form' => 'Diese Kopie der Seite ist mit keiner Website verbunden. Das Formular lässt sich nicht absenden.',
    'to_checkout' => 'Zur Kasse',
];
