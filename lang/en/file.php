<?php

declare(strict_types=1);

// Downloads.
return [
    'download' => 'Download',
    'ask' => 'Tell me where to send it',
];
