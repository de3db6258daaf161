<?php

declare(strict_types=1);

// Sessions of a webinar: choosing one, and the page of one's own.
return [
    'choose' => 'Choose your session',
    'none' => 'There is no session to register for at the moment. Leave your address here, and you hear of the next one.',
    'any_time' => 'As soon as you like',
    'full' => 'Full. Choose it to go on the waiting list.',
    'places' => '{left, plural, one {One place left} other {# places left}}',
    'keep' => 'Keep me a place',
    'keep_name' => 'Keep {name} a place',
    'known' => 'We know you from our emails: nothing to fill in.',
    'gone' => 'This session cannot be chosen any more. Please choose another one.',
    'begun' => 'That session has begun. These come next.',
    'at_once' => 'It begins as soon as you like.',
    'left' => '{time} to go',
    'has_begun' => 'It has begun',
    'room' => 'To your room',
    'calendar' => 'Put it in your calendar',
    'yours' => 'The link to your room is yours alone and works on every device you have. It is in your inbox as well.',
    'share' => 'Somebody else should come too? Give them this link:',
    'waiting' => 'All places are taken. You are on the waiting list: as soon as one is free, it is yours, and you hear of it by email.',
    'called_off' => 'This session was cancelled.',
    'called_off_choose' => 'This session was cancelled. You can choose another time.',
    'cancelled' => 'Your place is cancelled.',
    'cancelled_choose' => 'Your place is cancelled. You can choose another time.',
    'over' => 'The session you had chosen is over.',
    'replay' => 'To the replay',
    'list' => 'There is no session to come yet. You hear of the next one by email, and can choose your time then.',
    'inbox' => 'Please look in your inbox: your time and your link into the room are there.',
    'not_here' => 'You are not registered in this browser. <link>Register here</link>, or open your link from our email.',
    'other' => 'Another time suits you better?',
    'choose_other' => 'Choose another time',
    'take' => 'Choose this time',
    'cancel' => 'I cannot come: cancel my place',
];
