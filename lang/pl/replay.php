<?php

declare(strict_types=1);

return [
    'title' => 'Powtórka: {webinar}',
    'members' => 'Powtórka jest dla zapisanych. Otwórz ją linkiem z naszej wiadomości albo <link>zapisz się tutaj</link>.',
    'soon' => 'Powtórki jeszcze nie ma. Zajrzyj trochę później.',
    'opens' => 'Powtórka otworzy się: {moment}.',
    'over' => 'Powtórka się skończyła: była otwarta przez ograniczony czas.',
    'not_yours' => 'Powtórka nie jest dla Ciebie otwarta.',
];
