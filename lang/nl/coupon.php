<?php

declare(strict_types=1);

return [
    'percent' => '{percent, number, ::percent} korting',
    'amount' => '{amount} korting',
    'not_yet' => 'Deze code geldt nog niet.',
    'over' => 'Deze code is verlopen.',
    'other' => 'Deze code is voor iets anders.',
    'used_up' => 'Deze code is al zo vaak gebruikt als kan.',
    'used_by_you' => 'Je hebt deze code al gebruikt.',
    'used' => 'Deze code is al gebruikt.',
    'none' => 'Deze code bestaat niet. Controleer op tikfouten of laat het veld leeg.',
];
