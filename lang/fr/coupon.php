<?php

declare(strict_types=1);

return [
    'percent' => '{percent, number, ::percent} de réduction',
    'amount' => '{amount} de réduction',
    'not_yet' => 'Ce code n’est pas encore valable.',
    'over' => 'Ce code a expiré.',
    'other' => 'Ce code vaut pour autre chose.',
    'used_up' => 'Ce code a déjà été utilisé autant de fois que possible.',
    'used_by_you' => 'Tu as déjà utilisé ce code.',
    'used' => 'Ce code a déjà été utilisé.',
    'none' => 'Ce code n’existe pas. Vérifie qu’il est sans faute de frappe, ou laisse le champ vide.',
];
