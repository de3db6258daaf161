<?php

declare(strict_types=1);

return [
    'used_by_you' => 'U hebt deze code al gebruikt.',
];
