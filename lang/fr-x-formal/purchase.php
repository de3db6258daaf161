<?php

declare(strict_types=1);

return [
    'words' => 'Tout ce que vous avez acheté chez {business}. Gardez le lien de cette page : il n’a pas besoin de mot de passe.',
    'approve' => 'L’approuver auprès de votre banque',
    'no_script' => 'Les champs de la carte ont besoin de JavaScript, désactivé dans votre navigateur.',
    'no_new_card' => 'Saisissez la nouvelle carte.',
    'thanks' => 'Merci de votre commande',
    'your_order' => 'Votre commande',
    'summary' => 'Payé : {amount}. Commande {number}. Le reçu arrive à {email}, et son lien ouvre tout ce que vous avez acheté.',
    'by_receipt' => 'Ce que vous avez acheté s’ouvre par le lien de votre reçu.',
];
