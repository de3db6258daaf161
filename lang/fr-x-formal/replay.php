<?php

declare(strict_types=1);

return [
    'members' => 'La rediffusion est réservée aux inscrits. Ouvrez-la par le lien de notre e-mail, ou <link>inscrivez-vous ici</link>.',
    'soon' => 'La rediffusion n’est pas encore là. Revenez un peu plus tard.',
    'not_yours' => 'La rediffusion ne vous est pas ouverte.',
];
