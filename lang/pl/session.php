<?php

declare(strict_types=1);

return [
    'choose' => 'Wybierz termin',
    'none' => 'Nie ma teraz żadnego terminu. Zostaw adres, a dowiesz się o następnym.',
    'any_time' => 'Kiedy tylko chcesz',
    'full' => 'Brak miejsc. Wybierz ten termin, aby trafić na listę oczekujących.',
    'places' => '{left, plural, one {Zostało # miejsce} few {Zostały # miejsca} many {Zostało # miejsc} other {Zostało # miejsca}}',
    'keep' => 'Zachowaj dla mnie miejsce',
    'keep_name' => 'Zachowaj miejsce: {name}',
    'known' => 'Znamy Cię z naszych wiadomości: nic nie trzeba wypełniać.',
    'gone' => 'Tego terminu nie można już wybrać. Wybierz inny.',
    'begun' => 'To spotkanie się zaczęło. Oto następne.',
    'at_once' => 'Zaczyna się, kiedy tylko chcesz.',
    'left' => 'Jeszcze {time}',
    'has_begun' => 'Zaczęło się',
    'room' => 'Do Twojego pokoju',
    'calendar' => 'Dodaj do kalendarza',
    'yours' => 'Link do pokoju jest tylko Twój i działa na wszystkich Twoich urządzeniach. Jest też w Twojej skrzynce.',
    'share' => 'Ktoś jeszcze powinien przyjść? Przekaż ten link:',
    'waiting' => 'Wszystkie miejsca są zajęte. Jesteś na liście oczekujących: gdy tylko któreś się zwolni, będzie Twoje, a dowiesz się '
        .'e-mailem.',
    'called_off' => 'To spotkanie zostało odwołane.',
    'called_off_choose' => 'To spotkanie zostało odwołane. Możesz wybrać inny termin.',
    'cancelled' => 'Twoje miejsce jest odwołane.',
    'cancelled_choose' => 'Twoje miejsce jest odwołane. Możesz wybrać inny termin.',
    'over' => 'Wybrane spotkanie już minęło.',
    'replay' => 'Do powtórki',
    'list' => 'Nie ma jeszcze następnego terminu. Dowiesz się e-mailem i wtedy możesz wybrać.',
    'inbox' => 'Zajrzyj do skrzynki: tam są Twój termin i link do pokoju.',
    'not_here' => 'W tej przeglądarce nie ma Twojego zgłoszenia. <link>Zapisz się tutaj</link> albo otwórz swój link z naszej '
        .'wiadomości.',
    'other' => 'Lepiej pasuje inny termin?',
    'choose_other' => 'Wybierz inny termin',
    'take' => 'Wybierz ten termin',
    'cancel' => 'Nie mogę przyjść: odwołaj moje miejsce',
];
