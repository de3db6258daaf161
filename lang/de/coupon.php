<?php

declare(strict_types=1);

return [
    'percent' => '{percent, number, ::percent} Rabatt',
    'amount' => '{amount} Rabatt',
    'not_yet' => 'Dieser Code gilt noch nicht.',
    'over' => 'Dieser Code ist abgelaufen.',
    'other' => 'Dieser Code gilt für etwas anderes.',
    'used_up' => 'Dieser Code wurde schon so oft eingelöst, wie es geht.',
    'used_by_you' => 'Du hast diesen Code schon eingelöst.',
    'used' => 'Dieser Code wurde schon eingelöst.',
    'none' => 'Diesen Code gibt es nicht. Bitte prüfe ihn auf Tippfehler, oder lass das Feld leer.',
];
