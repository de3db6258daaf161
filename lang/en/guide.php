<?php

declare(strict_types=1);

// Guides that are read in the browser.
return [
    'read' => 'Read it now',
    'contents' => 'Contents',
    'previous' => 'Previous page',
    'next' => 'Next page',
    'page' => 'Page {number} of {count}',
    'time' => '{minutes, plural, one {# minute} other {# minutes}} to read',
    'progress' => 'How far you have come',
    'save' => 'Save as PDF',
    'answer' => 'Your answer',
    'kept' => 'Kept for you',
    'not_kept' => 'Not kept yet',
    'offline' => 'There is no connection at the moment. What you wrote is kept here until there is one.',
    'locked' => 'The rest is yours when you join',
    'locked_words' => 'These first pages are open to everybody. Tell me where to send the guide, and you can read on at once.',
    'locked_to' => 'Get the whole guide',
];
