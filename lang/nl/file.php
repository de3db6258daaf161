<?php

declare(strict_types=1);

return [
    'download' => 'Downloaden',
    'ask' => 'Zeg me waar ik het heen stuur',
];
