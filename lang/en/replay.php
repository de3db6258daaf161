<?php

declare(strict_types=1);

// Where a replay cannot be seen, and why.
return [
    'title' => 'The replay: {webinar}',
    'members' => 'The replay is for those who registered. Open it by the link in our email, or <link>register here</link>.',
    'soon' => 'The replay is not here yet. Please look again in a while.',
    'opens' => 'The replay opens {moment}.',
    'over' => 'The replay is over: it was open for a limited time.',
    'not_yours' => 'The replay is not open to you.',
];
