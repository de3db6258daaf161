<?php

declare(strict_types=1);

return [
    'not_here' => [
        'words' => 'Controleer de link op tikfouten, of vraag het aan wie hem u gaf.',
    ],
    'closed' => [
        'words' => 'Fijn dat u langskomt. Aanmelden kan op dit moment niet, en er is niets opgeslagen.',
    ],
    'not_open_yet' => [
        'words' => 'Fijn dat u langskomt. Het opent: {moment}.',
    ],
    'preview_over' => [
        'words' => 'Links naar een voorbeeld werken twee weken. Vraag een nieuwe aan wie hem u stuurde.',
    ],
    'too_many' => [
        'words' => 'Er kwamen de laatste minuten heel veel aanmeldingen via uw verbinding. Met die van u is niets mis: ga terug en druk '
            .'over tien minuten nog een keer op de knop.',
    ],
    'too_many_payments' => [
        'words' => 'Er waren de laatste minuten heel veel pogingen om te betalen via uw verbinding. Met deze is niets afgeschreven: ga '
            .'terug en druk over tien minuten nog een keer op de knop.',
    ],
    'session_gone' => [
        'words' => 'Hij is begonnen, voorbij of intussen afgelast. De datum die u had blijft van u.',
    ],
    'time_is_up' => [
        'words' => 'Wat hier stond was voor u een beperkte tijd open, en die is voorbij.',
    ],
    'go_on' => [
        'title' => 'Dank u wel',
        'words' => 'U doet mee. Wat u aanvroeg is onderweg.',
    ],
    'starts_now' => [
        'title' => 'Uw tijd begint als u verdergaat',
        'words' => 'Waar deze link heen gaat is een beperkte tijd voor u open. Die begint als u op de knop drukt, en niet eerder, zodat '
            .'geen programma dat uw e-mails bekijkt hem voor u kan starten.',
    ],
    'paying_now' => [
        'title' => 'Een ogenblik: uw betaling is onderweg',
        'words' => 'Uw bank heeft ons nog niet geantwoord. Deze pagina kijkt elke paar seconden vanzelf opnieuw en brengt u verder. U '
            .'kunt haar ook sluiten: de bon komt per e-mail, en niets wordt dubbel afgeschreven.',
    ],
    'link_not_yours' => [
        'words' => 'Open hem nog een keer vanuit uw bon: daar is hij heel.',
    ],
    'access_paused' => [
        'words' => 'Er staat een betaling open. Zodra die betaald is, gaat alles weer open. De link in uw bon, en die in de e-mail over '
            .'de betaling, brengen u waar u dat regelt.',
    ],
    'access_ended' => [
        'title' => 'Dit is voor u niet meer open',
        'words' => 'De toegang is beëindigd, bijvoorbeeld na een terugbetaling. Is dat een vergissing, schrijf dan aan wie het u '
            .'verkocht.',
    ],
    'for_buyers' => [
        'words' => 'Open haar met de link in uw bon. Die kent u.',
    ],
    'link_over' => [
        'words' => 'Downloadlinks werken maar een tijdje. Geef uw e-mailadres, en er komt een nieuwe in uw inbox.',
        'button' => 'Stuur mij een nieuwe link',
    ],
    'link_on_its_way' => [
        'title' => 'Kijk in uw inbox',
    ],
    'leave' => [
        'words' => 'U krijgt dan geen e-mails van {business} meer.',
        'less' => 'Is minder ook genoeg, of moet {business} u helemaal niet meer schrijven?',
    ],
    'left' => [
        'title' => 'U bent afgemeld',
        'words' => 'U krijgt geen e-mails van {business} meer. Fijn dat u ze hebt gelezen.',
    ],
    'less_often' => [
        'title' => 'U krijgt minder',
        'words' => '{business} stuurt u geen e-mails van dit soort meer.',
    ],
    'quiet' => [
        'words' => '{business} schrijft u pas over dertig dagen weer.',
    ],
    'subscribed_again' => [
        'words' => 'U krijgt de e-mails van {business} weer.',
    ],
    'busy' => [
        'form' => 'Het is hier nu heel druk, en wat u stuurde kon nog niet worden aangenomen. Het is er allemaal nog.',
        'stored' => 'Er kan nu niets worden opgeslagen: de database is bezet, of de schijf is vol. Wat u invulde blijft hier en wordt '
            .'vanzelf opnieuw gestuurd.',
    ],
];
