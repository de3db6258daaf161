<?php

declare(strict_types=1);

return [
    'title' => 'La replica: {webinar}',
    'members' => 'La replica è per chi si è iscritto. Aprila con il link nella nostra email o <link>iscriviti qui</link>.',
    'soon' => 'La replica non c’è ancora. Torna a guardare tra un po’.',
    'opens' => 'La replica apre: {moment}.',
    'over' => 'La replica è finita: era aperta per un tempo limitato.',
    'not_yours' => 'Per te la replica non è aperta.',
];
