<?php

declare(strict_types=1);

return [
    'any' => 'zoveel als u wilt',
];
