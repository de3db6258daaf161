<?php

declare(strict_types=1);

return [
    'choose' => 'Prosimy wybrać termin',
    'none' => 'Nie ma teraz żadnego terminu. Prosimy zostawić adres, a dowiedzą się Państwo o następnym.',
    'any_time' => 'Kiedy tylko Państwo chcą',
    'full' => 'Brak miejsc. Wybór tego terminu oznacza miejsce na liście oczekujących.',
    'keep' => 'Proszę o miejsce',
    'known' => 'Znamy Państwa z naszych wiadomości: nic nie trzeba wypełniać.',
    'gone' => 'Tego terminu nie można już wybrać. Prosimy wybrać inny.',
    'at_once' => 'Zaczyna się, kiedy tylko Państwo chcą.',
    'room' => 'Do Państwa pokoju',
    'yours' => 'Link do pokoju jest tylko dla Państwa i działa na wszystkich Państwa urządzeniach. Jest też w Państwa skrzynce.',
    'share' => 'Ktoś jeszcze powinien przyjść? Prosimy przekazać ten link:',
    'waiting' => 'Wszystkie miejsca są zajęte. Są Państwo na liście oczekujących: gdy tylko któreś się zwolni, będzie Państwa, a '
        .'dowiedzą się Państwo e-mailem.',
    'called_off_choose' => 'To spotkanie zostało odwołane. Można wybrać inny termin.',
    'cancelled' => 'Państwa miejsce jest odwołane.',
    'cancelled_choose' => 'Państwa miejsce jest odwołane. Można wybrać inny termin.',
    'list' => 'Nie ma jeszcze następnego terminu. Dowiedzą się Państwo e-mailem i wtedy będzie można wybrać.',
    'inbox' => 'Prosimy zajrzeć do skrzynki: tam są termin i link do pokoju.',
    'not_here' => 'W tej przeglądarce nie ma Państwa zgłoszenia. <link>Prosimy zapisać się tutaj</link> albo otworzyć link z naszej '
        .'wiadomości.',
    'choose_other' => 'Wybór innego terminu',
    'take' => 'Ten termin proszę',
    'cancel' => 'Nie mogę przyjść: proszę odwołać moje miejsce',
];
