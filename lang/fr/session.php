<?php

declare(strict_types=1);

return [
    'choose' => 'Choisis ta date',
    'none' => 'Il n’y a pas de date en ce moment. Laisse ton adresse, et tu seras prévenu de la prochaine.',
    'any_time' => 'Dès que tu veux',
    'full' => 'Complet. Choisis cette date pour être sur la liste d’attente.',
    'places' => '{left, plural, one {Plus que # place} many {Plus que # places} other {Plus que # places}}',
    'keep' => 'Me garder une place',
    'keep_name' => 'Garder une place pour {name}',
    'known' => 'Nous te connaissons par nos e-mails : rien à remplir.',
    'gone' => 'Cette date ne peut plus être choisie. Choisis-en une autre.',
    'begun' => 'Cette séance a commencé. Voici les suivantes.',
    'at_once' => 'Cela commence dès que tu veux.',
    'left' => 'Encore {time}',
    'has_begun' => 'C’est commencé',
    'room' => 'Vers ta salle',
    'calendar' => 'Ajouter au calendrier',
    'yours' => 'Le lien vers ta salle n’appartient qu’à toi et marche sur tous tes appareils. Il est aussi dans ta boîte de réception.',
    'share' => 'Quelqu’un d’autre devrait venir ? Donne-lui ce lien :',
    'waiting' => 'Toutes les places sont prises. Tu es sur la liste d’attente : dès qu’une se libère, elle est à toi, et tu l’apprends '
        .'par e-mail.',
    'called_off' => 'Cette séance a été annulée.',
    'called_off_choose' => 'Cette séance a été annulée. Tu peux choisir une autre date.',
    'cancelled' => 'Ta place est annulée.',
    'cancelled_choose' => 'Ta place est annulée. Tu peux choisir une autre date.',
    'over' => 'La séance que tu avais choisie est passée.',
    'replay' => 'Voir la rediffusion',
    'list' => 'Il n’y a pas encore de prochaine date. Tu l’apprends par e-mail, et pourras alors choisir.',
    'inbox' => 'Regarde ta boîte de réception : ta date et ton lien vers la salle s’y trouvent.',
    'not_here' => 'Tu n’es pas inscrit dans ce navigateur. <link>Inscris-toi ici</link>, ou ouvre ton lien depuis notre e-mail.',
    'other' => 'Une autre date te convient mieux ?',
    'choose_other' => 'Choisir une autre date',
    'take' => 'Choisir cette date',
    'cancel' => 'Je ne peux pas venir : annuler ma place',
];
