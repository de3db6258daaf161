<?php

declare(strict_types=1);

namespace Tests\Core\Languages;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\TimeWords;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\English;

/** Plurals, times left and moments around changes of the clocks, in each language. A space that does not break is written `~` here. */
final class TimesTest extends TestCase
{
    /** @return iterable<string, array{string, list<string>, list<string>, string}> */
    public static function times(): iterable
    {
        yield 'en' => ['en', ['0 seconds', '1 second', '1 minute, 1 second', '2 hours', '1 day, 1 hour', '21 days'],
            ['Sunday 28 March at 01:59, Berlin time',
                'Sunday 28 March at 03:00, Berlin time',
                'Sunday 31 October at 02:30, Berlin time (GMT+2)',
                'Sunday 31 October at 02:30, Berlin time (GMT+1)',
                'Sunday 5 November 2028 at 13:00, New York time'],
            '1 April 2027'];
        yield 'de' => ['de', ['0 Sekunden', '1 Sekunde', '1 Minute, 1 Sekunde', '2 Stunden', '1 Tag, 1 Stunde', '21 Tage'],
            ['Sonntag, 28. März um 01:59, Deutschland (Ortszeit)',
                'Sonntag, 28. März um 03:00, Deutschland (Ortszeit)',
                'Sonntag, 31. Oktober um 02:30, Deutschland (Ortszeit) (GMT+2)',
                'Sonntag, 31. Oktober um 02:30, Deutschland (Ortszeit) (GMT+1)',
                'Sonntag, 5. November 2028 um 13:00, New York (Ortszeit)'],
            '1. April 2027'];
        yield 'fr' => ['fr', ['0~seconde', '1~seconde', '1 minute et 1~seconde', '2~heures', '1~jour et 1~heure', '21~jours'],
            ['dimanche 28 mars à 01:59, heure : Allemagne',
                'dimanche 28 mars à 03:00, heure : Allemagne',
                'dimanche 31 octobre à 02:30, heure : Allemagne (UTC+2)',
                'dimanche 31 octobre à 02:30, heure : Allemagne (UTC+1)',
                'dimanche 5 novembre 2028 à 13:00, heure : New York'],
            '1 avril 2027'];
        yield 'es' => ['es', ['0 segundos', '1 segundo', '1 minuto y 1 segundo', '2 horas', '1 día y 1 hora', '21 días'],
            ['domingo, 28 de marzo, 1:59, hora de Alemania',
                'domingo, 28 de marzo, 3:00, hora de Alemania',
                'domingo, 31 de octubre, 2:30, hora de Alemania (GMT+2)',
                'domingo, 31 de octubre, 2:30, hora de Alemania (GMT+1)',
                'domingo, 5 de noviembre de 2028, 13:00, hora de Nueva York'],
            '1 de abril de 2027'];
        yield 'it' => ['it', ['0 secondi', '1 secondo', '1 minuto e 1 secondo', '2 ore', '1 giorno e 1 ora', '21 giorni'],
            ['domenica 28 marzo alle ore 01:59, Ora Germania',
                'domenica 28 marzo alle ore 03:00, Ora Germania',
                'domenica 31 ottobre alle ore 02:30, Ora Germania (GMT+2)',
                'domenica 31 ottobre alle ore 02:30, Ora Germania (GMT+1)',
                'domenica 5 novembre 2028 alle ore 13:00, Ora New York'],
            '1 aprile 2027'];
        yield 'pt' => ['pt', ['0 segundo', '1 segundo', '1 minuto e 1 segundo', '2 horas', '1 dia e 1 hora', '21 dias'],
            ['domingo, 28 de março às 01:59, Horário Alemanha',
                'domingo, 28 de março às 03:00, Horário Alemanha',
                'domingo, 31 de outubro às 02:30, Horário Alemanha (GMT+2)',
                'domingo, 31 de outubro às 02:30, Horário Alemanha (GMT+1)',
                'domingo, 5 de novembro de 2028 às 13:00, Horário Nova York'],
            '1 de abril de 2027'];
        yield 'nl' => ['nl', ['0 seconden', '1 seconde', '1 minuut en 1 seconde', '2 uur', '1 dag en 1 uur', '21 dagen'],
            ['zondag 28 maart om 01:59, Duitsland-tijd',
                'zondag 28 maart om 03:00, Duitsland-tijd',
                'zondag 31 oktober om 02:30, Duitsland-tijd (GMT+2)',
                'zondag 31 oktober om 02:30, Duitsland-tijd (GMT+1)',
                'zondag 5 november 2028 om 13:00, New York-tijd'],
            '1 april 2027'];
        yield 'pl' => ['pl', ['0 sekund', '1 sekunda', '1 minuta i 1 sekunda', '2 godziny', '1 dzień i 1 godzina', '21 dni'],
            ['niedziela, 28 marca 01:59, czas: Niemcy',
                'niedziela, 28 marca 03:00, czas: Niemcy',
                'niedziela, 31 października 02:30, czas: Niemcy (GMT+2)',
                'niedziela, 31 października 02:30, czas: Niemcy (GMT+1)',
                'niedziela, 5 listopada 2028 13:00, czas: Nowy Jork'],
            '1 kwietnia 2027'];
        yield 'he' => ['he', ['0 שניות', 'שניה', 'דקה, שניה', 'שעתיים', 'יום 1, שעה', '21 ימים'],
            ['יום ראשון, 28 במרץ בשעה 1:59, שעון גרמניה',
                'יום ראשון, 28 במרץ בשעה 3:00, שעון גרמניה',
                'יום ראשון, 31 באוקטובר בשעה 2:30, שעון גרמניה (GMT‎+2‎)',
                'יום ראשון, 31 באוקטובר בשעה 2:30, שעון גרמניה (GMT‎+1‎)',
                'יום ראשון, 5 בנובמבר 2028 בשעה 13:00, שעון ניו יורק'],
            '1 באפריל 2027'];
    }

    /**
     * @param  list<string>  $left
     * @param  list<string>  $moments
     */
    #[DataProvider('times')]
    public function test_times_in_each_language(string $language, array $left, array $moments, string $day): void
    {
        $utc = fn (string $at): DateTimeImmutable => new DateTimeImmutable("{$at} UTC");
        $zone = new DateTimeZone('Europe/Berlin');
        $said = fn (string $words): string => str_replace(["\u{a0}", "\u{202f}"], '~', $words);

        self::assertSame($left, array_map(fn (int $s): string => $said(TimeWords::left($s, $language)),
            [0, 1, 61, 7200, 90_000, 1_814_400]));
        // The hour that the clocks skip, and the one that they show twice; the last in another year and zone.
        self::assertSame($moments, array_map(fn (array $a): string => $said(TimeWords::moment($utc($a[0]), new DateTimeZone($a[1]),
            $language, $utc('2027-03-01 10:00'))), [['2027-03-28 00:59', 'Europe/Berlin'], ['2027-03-28 01:00', 'Europe/Berlin'],
                ['2027-10-31 00:30', 'Europe/Berlin'], ['2027-10-31 01:30', 'Europe/Berlin'], ['2028-11-05 18:00', 'America/New_York']]));
        self::assertSame($day, $said(TimeWords::day($utc('2027-03-31 23:30'), $zone, $language)));
    }

    public function test_an_hour_that_is_shown_twice_is_told_apart_also_where_the_clocks_go_back_by_half_of_one(): void
    {
        $moment = fn (string $at): string => TimeWords::moment(new DateTimeImmutable("{$at} UTC"), new DateTimeZone('Australia/Lord_Howe'),
            'en', new DateTimeImmutable('2027-01-01 UTC'));

        self::assertSame(['Sunday 4 April at 01:45, Lord Howe time (GMT+11)', 'Sunday 4 April at 01:45, Lord Howe time (GMT+10:30)',
            'Sunday 4 April at 02:00, Lord Howe time'], array_map($moment, ['2027-04-03 14:45', '2027-04-03 15:15', '2027-04-03 15:30']));
    }

    /** @return iterable<string, array{string, array<int, string>}> */
    public static function plurals(): iterable
    {
        yield 'en' => ['en', [1 => 'One place left', 2 => '2 places left', 5 => '5 places left', 21 => '21 places left',
            22 => '22 places left', 1000 => '1,000 places left']];
        yield 'de' => ['de', [1 => 'Noch ein Platz frei', 2 => 'Noch 2 Plätze frei', 5 => 'Noch 5 Plätze frei',
            21 => 'Noch 21 Plätze frei', 22 => 'Noch 22 Plätze frei', 1000 => 'Noch 1.000 Plätze frei']];
        yield 'fr' => ['fr', [1 => 'Plus que 1 place', 2 => 'Plus que 2 places', 5 => 'Plus que 5 places',
            21 => 'Plus que 21 places', 22 => 'Plus que 22 places', 1000 => 'Plus que 1~000 places']];
        yield 'es' => ['es', [1 => 'Queda 1 plaza', 2 => 'Quedan 2 plazas', 5 => 'Quedan 5 plazas', 21 => 'Quedan 21 plazas',
            22 => 'Quedan 22 plazas', 1000 => 'Quedan 1.000 plazas']];
        yield 'it' => ['it', [1 => 'Resta 1 posto', 2 => 'Restano 2 posti', 5 => 'Restano 5 posti', 21 => 'Restano 21 posti',
            22 => 'Restano 22 posti', 1000 => 'Restano 1.000 posti']];
        yield 'pt' => ['pt', [1 => 'Resta 1 lugar', 2 => 'Restam 2 lugares', 5 => 'Restam 5 lugares', 21 => 'Restam 21 lugares',
            22 => 'Restam 22 lugares', 1000 => 'Restam 1.000 lugares']];
        yield 'nl' => ['nl', [1 => 'Nog 1 plaats', 2 => 'Nog 2 plaatsen', 5 => 'Nog 5 plaatsen', 21 => 'Nog 21 plaatsen',
            22 => 'Nog 22 plaatsen', 1000 => 'Nog 1.000 plaatsen']];
        yield 'pl' => ['pl', [1 => 'Zostało 1 miejsce', 2 => 'Zostały 2 miejsca', 5 => 'Zostało 5 miejsc',
            21 => 'Zostało 21 miejsc', 22 => 'Zostały 22 miejsca', 1000 => 'Zostało 1~000 miejsc']];
        yield 'he' => ['he', [1 => 'נשאר מקום אחד', 2 => 'נשארו 2 מקומות', 5 => 'נשארו 5 מקומות', 21 => 'נשארו 21 מקומות',
            22 => 'נשארו 22 מקומות', 1000 => 'נשארו 1,000 מקומות']];
    }

    /** @param  array<int, string>  $said  by number */
    #[DataProvider('plurals')]
    public function test_plurals_in_each_language(string $language, array $said): void
    {
        foreach ($said as $number => $words) {
            self::assertSame($words, str_replace(["\u{a0}", "\u{202f}"], '~', English::voice($language)->say('session.places',
                ['left' => $number])));
        }
    }
}
