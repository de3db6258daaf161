<?php

declare(strict_types=1);

return [
    'words' => 'Alles, was Sie bei {business} gekauft haben. Heben Sie sich den Link zu dieser Seite auf: Er braucht kein Passwort.',
    'no_script' => 'Die Kartenfelder brauchen JavaScript, das in Ihrem Browser ausgeschaltet ist.',
    'no_new_card' => 'Bitte geben Sie die neue Karte ein.',
    'new_card' => 'Vielen Dank. Die neue Karte ist hinterlegt.',
    'thanks' => 'Vielen Dank für Ihre Bestellung',
    'your_order' => 'Ihre Bestellung',
    'summary' => 'Bezahlt: {amount}. Bestellung {number}. Der Beleg geht an {email}, und der Link darin öffnet alles, was Sie gekauft '
        .'haben.',
    'by_receipt' => 'Was Sie gekauft haben, öffnet sich über den Link in Ihrem Beleg.',
];
