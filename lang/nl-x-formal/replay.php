<?php

declare(strict_types=1);

return [
    'members' => 'De terugblik is voor wie zich aanmeldde. Open haar met de link in onze e-mail, of <link>meldt u zich hier aan</link>.',
    'not_yours' => 'De terugblik is voor u niet open.',
];
