<?php

declare(strict_types=1);

return [
    'title' => 'De terugblik: {webinar}',
    'members' => 'De terugblik is voor wie zich aanmeldde. Open haar met de link in onze e-mail, of <link>meld je hier aan</link>.',
    'soon' => 'De terugblik is er nog niet. Kijk straks nog eens.',
    'opens' => 'De terugblik opent: {moment}.',
    'over' => 'De terugblik is voorbij: ze was een beperkte tijd open.',
    'not_yours' => 'De terugblik is voor jou niet open.',
];
