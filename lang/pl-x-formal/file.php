<?php

declare(strict_types=1);

return [
    'ask' => 'Prosimy podać, dokąd to wysłać',
];
