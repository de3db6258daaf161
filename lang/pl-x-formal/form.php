<?php

declare(strict_types=1);

return [
    'choose' => 'Prosimy wybrać',
    'empty' => 'Prosimy zostawić to pole puste',
    'consent' => 'Prosimy zaznaczyć pole, jeśli się Państwo zgadzają.',
    'tick' => 'Prosimy zaznaczyć to pole.',
    'choose_one' => 'Prosimy wybrać: {label}.',
    'missing' => 'Prosimy wypełnić: {label}.',
    'no_choice' => 'Prosimy wybrać jedną z odpowiedzi: {label}.',
    'no_choices' => 'Prosimy wybrać spośród odpowiedzi: {label}.',
    'no_day' => '{label}: nie ma takiego dnia. Prosimy zapisać go tak: 2027-03-31.',
    'no_email' => 'Prosimy wpisać adres e-mail.',
    'wrong_email' => 'To nie wygląda na adres e-mail. Prosimy sprawdzić, czy nie ma w nim błędu.',
    'elsewhere' => 'Witamy. Państwa odpowiedzi przyszły razem z Państwem: prosimy nacisnąć przycisk jeszcze raz i gotowe.',
    'old' => 'Ta strona była długo otwarta. Państwa odpowiedzi wciąż tu są: prosimy nacisnąć przycisk jeszcze raz.',
    'old_short' => 'Ta strona była długo otwarta. Prosimy nacisnąć przycisk jeszcze raz.',
    'old_or_closed' => 'Ta strona była długo otwarta albo formularz został w tym czasie zamknięty. Prosimy wczytać stronę ponownie.',
    'fast' => 'Poszło bardzo szybko, jakby formularz wypełnił program. Jeśli wypełnił go człowiek, prosimy nacisnąć przycisk jeszcze '
        .'raz.',
    'flood' => 'W ostatnich minutach z Państwa łącza przyszło bardzo wiele zgłoszeń. Prosimy spróbować ponownie za dziesięć minut.',
    'begin_again' => 'Prosimy zacząć od nowa: wcześniejsze odpowiedzi nie są już znane.',
    'trouble' => 'To się nie udało. Prosimy spróbować ponownie za chwilę.',
    'trouble_kept' => 'To się nie udało. Prosimy spróbować ponownie za chwilę: Państwa odpowiedzi wciąż tu są.',
];
