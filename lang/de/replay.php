<?php

declare(strict_types=1);

return [
    'title' => 'Die Aufzeichnung: {webinar}',
    'members' => 'Die Aufzeichnung ist für alle, die sich angemeldet haben. Öffne sie über den Link in unserer E-Mail, oder <link>melde '
        .'dich hier an</link>.',
    'soon' => 'Die Aufzeichnung ist noch nicht da. Bitte schau später noch einmal vorbei.',
    'opens' => 'Die Aufzeichnung öffnet: {moment}.',
    'over' => 'Die Aufzeichnung ist nicht mehr zu sehen: Sie war für begrenzte Zeit geöffnet.',
    'not_yours' => 'Die Aufzeichnung ist für dich nicht geöffnet.',
];
