<?php

declare(strict_types=1);

return [
    'members' => 'La replica è per chi si è iscritto. La apra con il link nella nostra email o <link>si iscriva qui</link>.',
    'soon' => 'La replica non c’è ancora. Torni a guardare tra un po’.',
    'not_yours' => 'Per Lei la replica non è aperta.',
];
