<?php

declare(strict_types=1);

return [
    'members' => 'Powtórka jest dla zapisanych. Prosimy otworzyć ją linkiem z naszej wiadomości albo <link>zapisać się tutaj</link>.',
    'soon' => 'Powtórki jeszcze nie ma. Prosimy zajrzeć trochę później.',
    'not_yours' => 'Powtórka nie jest dla Państwa otwarta.',
];
