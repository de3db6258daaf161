<?php

declare(strict_types=1);

return [
    'download' => 'הורדה',
    'ask' => 'ספרו לי לאן לשלוח',
];
