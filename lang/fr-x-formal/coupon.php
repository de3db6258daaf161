<?php

declare(strict_types=1);

return [
    'used_by_you' => 'Vous avez déjà utilisé ce code.',
    'none' => 'Ce code n’existe pas. Vérifiez qu’il est sans faute de frappe, ou laissez le champ vide.',
];
