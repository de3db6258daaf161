<?php

declare(strict_types=1);

return [
    'title' => 'La rediffusion : {webinar}',
    'members' => 'La rediffusion est réservée aux inscrits. Ouvre-la par le lien de notre e-mail, ou <link>inscris-toi ici</link>.',
    'soon' => 'La rediffusion n’est pas encore là. Reviens un peu plus tard.',
    'opens' => 'Ouverture de la rediffusion : {moment}.',
    'over' => 'La rediffusion est terminée : elle était ouverte pour un temps limité.',
    'not_yours' => 'La rediffusion ne t’est pas ouverte.',
];
