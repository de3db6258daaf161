<?php

declare(strict_types=1);

return [
    'used_by_you' => 'Sie haben diesen Code schon eingelöst.',
    'none' => 'Diesen Code gibt es nicht. Bitte prüfen Sie ihn auf Tippfehler, oder lassen Sie das Feld leer.',
];
