<?php

declare(strict_types=1);

return [
    'members' => 'Ten pokój jest dla zapisanych. Prosimy otworzyć go linkiem z naszej wiadomości albo <link>zapisać się tutaj</link>.',
    'go_on' => 'Można wrócić do przerwanego miejsca.',
    'cancelled' => 'To spotkanie się nie odbędzie. Link z wiadomości prowadzi do innych terminów.',
    'waiting' => 'Wszystkie miejsca są zajęte. Gdy tylko któreś się zwolni, dowiedzą się Państwo e-mailem.',
    'crowded' => 'Ten link jest już otwarty na kilku innych urządzeniach. Prosimy zamknąć go na jednym z nich, a ta strona sama ruszy '
        .'dalej.',
    'mine' => '(Państwa odpowiedź)',
    'lost' => 'To się nie udało. Państwa tekst wciąż tu jest.',
    'offline' => 'Nie ma teraz połączenia. Państwa tekst wciąż tu jest: prosimy wysłać go ponownie.',
    'no_stream' => 'Nie ma tu obrazu. Pytania można zadawać poniżej.',
    'no_question' => 'Prosimy najpierw napisać pytanie.',
    'long_question' => 'Pytanie ma najwyżej {most, plural, one {# znak} few {# znaki} many {# znaków} other {# znaku}}. Prosimy je '
        .'skrócić; nic jeszcze nie przepadło.',
    'many_questions' => 'To bardzo dużo pytań naraz. Prosimy poczekać minutę.',
];
