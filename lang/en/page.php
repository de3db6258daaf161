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
    'preview' => 'Preview of a draft. Nothing that is done here is stored.',
    'copy_no_buy' => 'This copy of the page is not connected to a site, so nothing can be bought here.',
    'copy_no_form' => 'This copy of the page is not connected to a site, so the form cannot be sent.',
    'to_checkout' => 'Go to the checkout',
];
