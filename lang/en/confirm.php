<?php

declare(strict_types=1);

// Confirming an address: the page after the form, the email, and what the link in it opens. The owner may write most of it anew.
return [
    'title' => 'One more step: look in your inbox',
    'text' => 'A short email is on its way to you. Press the button in it, and you are in. If it is not there in two minutes, look where '
        .'your spam goes.',
    'subject' => 'Please confirm: is this your address?',
    'body' => 'somebody, most likely you, asked for this at {business}. One press, and it is yours:',
    'button' => 'Yes, this is my address',
    'not_you' => 'If that was not you, nothing needs doing: without this press nothing more will come.',
    'again' => 'Send it again',
    'sent_again' => 'It is sent once more. The newest email is the one to use.',
    'just_sent' => 'An email went out a moment ago. Give it a minute, look where your spam goes, and check the address for a typing '
        .'mistake.',
    'done' => ['title' => 'This is done', 'words' => 'This address is confirmed already. There is nothing left to do here.'],
    'over' => [
        'title' => 'This link has run out',
        'words' => 'Links that confirm an address work for a few days only. A new one comes at the press of a button.',
    ],
    'ask' => ['title' => 'Is this your address?', 'words' => 'One press, and you are in.'],
];
