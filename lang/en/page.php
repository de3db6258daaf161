<?php

declare(strict_types=1);

// What stands on pages beside the owner's own words: labels, and what screen readers say.
return [
    'close' => 'Close',
    'menu' => 'Menu',
    'time_is_up' => 'The time is up.',
    'time_is_up_short' => 'The time is up',
    'watch' => 'Watch the video',
    'share' => 'Share',
    'copy' => 'Copy link',
    'copied' => 'Copied',
    'email' => 'Email',
];
