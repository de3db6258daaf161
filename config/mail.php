<?php

declare(strict_types=1);

// Where messages go: "outbox" is the stand-in that ships with the application, "smtp" a real mail server.
return [
    'default' => env('MAIL_MAILER', 'outbox'),
    'mailers' => [
        'smtp' => [
            'transport' => 'smtp',
            'scheme' => env('MAIL_SCHEME'),
            'host' => env('MAIL_HOST', '127.0.0.1'),
            'port' => env('MAIL_PORT', 2525),
            'username' => env('MAIL_USERNAME'),
            'password' => env('MAIL_PASSWORD'),
            'timeout' => 20,
            // Without encryption the password and all messages could be read on their way.
            'require_tls' => ! env('MAIL_ALLOW_UNENCRYPTED', false),
        ],
    ],
];
