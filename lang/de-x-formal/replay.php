<?php

declare(strict_types=1);

return [
    'members' => 'Die Aufzeichnung ist für alle, die sich angemeldet haben. Öffnen Sie sie über den Link in unserer E-Mail, oder '
        .'<link>melden Sie sich hier an</link>.',
    'soon' => 'Die Aufzeichnung ist noch nicht da. Bitte sehen Sie später noch einmal nach.',
    'not_yours' => 'Die Aufzeichnung ist für Sie nicht geöffnet.',
];
