<?php

declare(strict_types=1);

return [
    'not_here' => [
        'title' => 'Op dit adres is geen pagina',
        'words' => 'Controleer de link op tikfouten, of vraag het aan wie hem je gaf.',
    ],
    'closed' => [
        'title' => 'Dit aanbod is nu gesloten',
        'words' => 'Fijn dat je langskomt. Aanmelden kan op dit moment niet, en er is niets opgeslagen.',
    ],
    'not_open_yet' => [
        'title' => 'Nog niet open',
        'words' => 'Fijn dat je langskomt. Het opent: {moment}.',
    ],
    'preview_over' => [
        'title' => 'Dit voorbeeld is verlopen',
        'words' => 'Links naar een voorbeeld werken twee weken. Vraag een nieuwe aan wie hem je stuurde.',
    ],
    'too_many' => [
        'title' => 'Een ogenblik',
        'words' => 'Er kwamen de laatste minuten heel veel aanmeldingen via jouw verbinding. Met die van jou is niets mis: ga terug en '
            .'druk over tien minuten nog een keer op de knop.',
    ],
    'too_many_payments' => [
        'title' => 'Een ogenblik',
        'words' => 'Er waren de laatste minuten heel veel pogingen om te betalen via jouw verbinding. Met deze is niets afgeschreven: '
            .'ga terug en druk over tien minuten nog een keer op de knop.',
    ],
    'session_gone' => [
        'title' => 'Deze datum kan niet meer worden gekozen',
        'words' => 'Hij is begonnen, voorbij of intussen afgelast. De datum die je had blijft van jou.',
    ],
    'time_is_up' => [
        'title' => 'De tijd hiervoor is om',
        'words' => 'Wat hier stond was voor jou een beperkte tijd open, en die is voorbij.',
    ],
    'go_on' => [
        'title' => 'Dank je wel',
        'words' => 'Je doet mee. Wat je aanvroeg is onderweg.',
    ],
    'starts_now' => [
        'title' => 'Je tijd begint als je verdergaat',
        'words' => 'Waar deze link heen gaat is een beperkte tijd voor je open. Die begint als je op de knop drukt, en niet eerder, '
            .'zodat geen programma dat je e-mails bekijkt hem voor je kan starten.',
        'button' => 'Verder, en mijn tijd starten',
    ],
    'paying_now' => [
        'title' => 'Een ogenblik: je betaling is onderweg',
        'words' => 'Je bank heeft ons nog niet geantwoord. Deze pagina kijkt elke paar seconden vanzelf opnieuw en brengt je verder. Je '
            .'kunt haar ook sluiten: de bon komt per e-mail, en niets wordt dubbel afgeschreven.',
    ],
    'not_paid' => [
        'title' => 'De betaling is niet gelukt',
    ],
    'link_not_yours' => [
        'title' => 'Deze link opent niets',
        'words' => 'Open hem nog een keer vanuit je bon: daar is hij heel.',
    ],
    'access_paused' => [
        'title' => 'De toegang is opgeschort',
        'words' => 'Er staat een betaling open. Zodra die betaald is, gaat alles weer open. De link in je bon, en die in de e-mail over '
            .'de betaling, brengen je waar je dat regelt.',
    ],
    'access_ended' => [
        'title' => 'Dit is voor jou niet meer open',
        'words' => 'De toegang is beëindigd, bijvoorbeeld na een terugbetaling. Is dat een vergissing, schrijf dan aan wie het je '
            .'verkocht.',
    ],
    'for_buyers' => [
        'title' => 'Deze pagina is voor wie heeft gekocht',
        'words' => 'Open haar met de link in je bon. Die kent je.',
    ],
    'link_over' => [
        'title' => 'Deze downloadlink is verlopen',
        'words' => 'Downloadlinks werken maar een tijdje. Geef je e-mailadres, en er komt een nieuwe in je inbox.',
        'button' => 'Stuur me een nieuwe link',
    ],
    'link_on_its_way' => [
        'title' => 'Kijk in je inbox',
        'words' => 'Als we dit adres kennen, is er een nieuwe link onderweg; die is er over een minuut of twee.',
    ],
    'file_gone' => [
        'title' => 'Dit bestand wordt niet meer aangeboden',
        'words' => 'De download is teruggetrokken door wie hem aanbood.',
    ],
    'leave' => [
        'title' => 'Afmelden?',
        'words' => 'Je krijgt dan geen e-mails van {business} meer.',
        'less' => 'Is minder ook genoeg, of moet {business} je helemaal niet meer schrijven?',
        'button' => 'Ja, meld me af',
        'no_news' => 'Alleen waar ik om vroeg, geen nieuws',
        'no_series' => 'Deze reeks niet meer, maar af en toe nieuws',
        'quiet' => 'Een maand lang niets',
    ],
    'left' => [
        'title' => 'Je bent afgemeld',
        'words' => 'Je krijgt geen e-mails van {business} meer. Fijn dat je ze hebt gelezen.',
        'mistake' => 'Per ongeluk gedrukt?',
        'back' => 'Ongedaan maken',
    ],
    'less_often' => [
        'title' => 'Je krijgt minder',
        'words' => '{business} stuurt je geen e-mails van dit soort meer.',
    ],
    'quiet' => [
        'title' => 'Een maand rust',
        'words' => '{business} schrijft je pas over dertig dagen weer.',
    ],
    'subscribed_again' => [
        'title' => 'Zoals het was',
        'words' => 'Je krijgt de e-mails van {business} weer.',
    ],
    'busy' => [
        'title' => 'Een ogenblik',
        'form' => 'Het is hier nu heel druk, en wat je stuurde kon nog niet worden aangenomen. Het is er allemaal nog.',
        'form_again' => 'Over een paar seconden wordt het vanzelf opnieuw gestuurd.',
        'form_or' => 'Of druk op de knop.',
        'send' => 'Opnieuw sturen',
        'words' => 'Het is hier nu heel druk. Deze pagina opent over een paar seconden vanzelf.',
        'again' => 'Opnieuw proberen',
        'stored' => 'Er kan nu niets worden opgeslagen: de database is bezet, of de schijf is vol. Wat je invulde blijft hier en wordt '
            .'vanzelf opnieuw gestuurd.',
    ],
    'to' => [
        'first_page' => 'Naar de eerste pagina',
        'now' => 'Bekijk wat er nu is',
        'other_times' => 'Bekijk de andere data',
        'again' => 'Opnieuw proberen',
        'on' => 'Verder',
    ],
];
