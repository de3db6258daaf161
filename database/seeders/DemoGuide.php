<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Drafts\DraftGuides;
use App\Drafts\Kinds\GuideKind;
use App\Guides\GuideReader;
use App\Guides\ReadingLog;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Submission;
use App\Records\GuideFacts;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Lantern\Core\Guides\PageReport;
use Lantern\Core\Guides\ReadablePage;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Section;
use Lantern\Core\Plan\LeadMagnet;
use Lantern\Core\Starters\StarterDesk;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** The practice plan as a guide that is read in the browser, and a month of its readers: some at once, some after a reminder. */
final class DemoGuide
{
    private const SAID = ['After breakfast, before anybody else is up.', 'When the children are in bed.', 'In my lunch break, at home.',
        'Sunday mornings, and whenever it rains.', 'I do not know yet. That is the trouble.'];

    /** Dice of their own, so that the crowd stays the same whoever reads. */
    private readonly Randomizer $dice;

    private ?string $guide = null;

    /** @var array<int, array{CarbonImmutable, Submission, int, int}> sittings that are still to come: when, whose, from and to which page */
    private array $coming = [];

    public function __construct(private readonly DraftGuides $guides, private readonly ReadingLog $log)
    {
        $this->dice = new Randomizer(new Mt19937(23));
    }

    /** Beside the file, with reminders on the first and on the fourth day. */
    public function write(Funnel $funnel, string $cover, string $room): void
    {
        $leadMagnet = DraftPart::there($funnel->id, LeadMagnet::kind())->firstOrFail();
        $guide = $this->guides->make($funnel, [], $this->pages($funnel, $cover, $room), $leadMagnet);
        $guide->change(['open' => 2, 'begun' => 'daily', 'finished' => 'at-once'])->save();
        $this->guides->remind($guide, [['days' => 1, 'not' => 'begun'], ['days' => 4, 'not' => 'finished']]);
        $this->guide = $guide->id;
    }

    /** Somebody has joined: most open the guide, and not all read on. */
    public function joined(Submission $submission, CarbonImmutable $at): void
    {
        if ($this->guide === null || $this->dice->getInt(1, 100) > 84) {
            return;
        }
        $last = count(GuideKind::pages(DraftPart::query()->where('id', $this->guide)->firstOrFail())->get()) - 1;
        // Six in ten begin at once. Where they stop: many on the long page in the middle.
        $reach = [0, 1, 2, 3, 3, 3, 4, $last, $last, $last][$this->dice->getInt(0, 9)];
        $first = $this->dice->getInt(1, 10) <= 6 ? $at->addSeconds($this->dice->getInt(20, 90))
            : $at->addHours($this->dice->getInt(26, 40));
        $this->coming[] = [$first, $submission, 0, $reach];
        if ($reach < $last && $this->dice->getInt(1, 10) <= 4) {
            $this->coming[] = [$at->addDays($this->dice->getInt(2, 6))->addMinutes($this->dice->getInt(5, 500)), $submission,
                max(0, $reach - 1), $this->dice->getInt($reach, $last)];
        }
        usort($this->coming, fn (array $a, array $b): int => $a[0] <=> $b[0]);
    }

    /** What was read until then is told as it was. */
    public function upTo(CarbonImmutable $until): void
    {
        while ($this->coming !== [] && $this->coming[0][0]->addMinutes(20) < $until) {
            [$at, $submission, $from, $to] = array_shift($this->coming);
            $this->reads($at, $submission, $from, $to);
        }
    }

    private function reads(CarbonImmutable $at, Submission $submission, int $from, int $to): void
    {
        $facts = GuideFacts::live($submission->funnel, (string) $this->guide);
        $reader = $facts === null ? null : GuideReader::of($facts, $submission, null);
        if ($facts === null || $reader === null) {
            return;
        }
        CarbonImmutable::setTestNow($at);
        $reading = $reader->reading((string) $this->guide, $submission->funnel_id, $at);
        $sitting = bin2hex($this->dice->getBytes(8));
        $this->log->take($reading, $sitting, 0, [], [], $submission->visitor, $at);
        $seen = [];
        $answers = [];
        $second = 0;
        foreach (array_slice($facts->pages, $from, $to - $from + 1) as $page) {
            $until = $second + $this->pace($page);
            $seen[] = new PageReport($page->id, $second, $until, $this->dice->getInt(1, 10) <= 9 ? 100 : 60);
            $second = $until;
        }
        foreach ($facts->answers as $block => $things) {
            if ($this->dice->getInt(1, 10) <= 3) {
                $answers[] = $things === 0 ? [(string) $block, -1, self::SAID[$this->dice->getInt(0, count(self::SAID) - 1)]]
                    : [(string) $block, $this->dice->getInt(0, $things - 1), true];
            }
        }
        $end = $at->addSeconds($second);
        CarbonImmutable::setTestNow($end);
        $this->log->take($reading, $sitting, $second, $seen, $to >= 3 ? $answers : [], $submission->visitor, $end);
    }

    /** From a glance to twice the calm time. */
    private function pace(ReadablePage $page): int
    {
        return max(3, intdiv($page->seconds * $this->dice->getInt(45, 190), 100));
    }

    /** @return list<array{name: string, document: Document}> */
    private function pages(Funnel $funnel, string $cover, string $room): array
    {
        $d = new StarterDesk($funnel->business->sender(), Ids::next(...), 'The Twelve-Minute Practice Plan');
        $page = fn (string $name, Section ...$sections): array => ['name' => $name,
            'document' => new Document(array_values($sections), Background::paper())];
        $text = fn (string ...$paragraphs): Block => $d->text(implode('', array_map(fn (string $p): string => "<p>{$p}</p>", $paragraphs)));

        return [
            $page('Cover', $d->section('opening-picture-right', $d->eyebrow('A guide by Imke Farrow'),
                $d->heading('The Twelve-Minute Practice Plan'),
                $text('For everybody who took up the cello as a grown-up, and for whom an hour of practice never happens. Take a pencil.'),
                $d->cover()->with(['picture' => $cover, 'alt' => 'The cover of the guide: a cello and a clock face', 'text' => '']))),
            $page('Why twelve minutes', $d->section('words-left', $d->heading('Why twelve minutes'),
                $text('An hour needs a free evening. Twelve minutes need a kettle that is about to boil. That is the whole secret, and it '
                    .'took me nineteen years of teaching to believe it.',
                    'Your ear forgets in two days what your fingers have learned in one. Somebody who plays for twelve minutes '
                    .'on five days '
                    .'meets the instrument five times a week. Somebody who plays for an hour on Sunday meets it once, and spends the first '
                    .'twenty minutes finding out where everything is.',
                    'So the first thing to choose is not a piece. It is a moment: one that comes by itself every day, and after which '
                    .'something else begins, so that you have to stop.')),
                $d->section('exercise-question', $d->heading('Your moment'),
                    $d->reflection('When in your day do twelve minutes fit, between two other things?'))),
            $page('Minute by minute', $d->section('learn-steps', $d->heading('Minute by minute'), $d->points([
                ['clock', 'Two minutes: arrive', 'Open strings, slowly, eyes closed. Listen to the end of each note. Nothing else counts.'],
                ['note', 'Six minutes: four bars', 'Only four. First the left hand alone, then the bow alone on one string, then both.'],
                ['heart', 'Three minutes: something you love', 'The tune you would play if somebody came in. It may be the same '
                    .'for a year.'],
                ['leaf', 'One minute: let go', 'Put the bow down. Shake out both hands. Write one word into the margin: what was easier?'],
            ]))),
            $page('The four bars', $d->section('words-picture', $d->heading('The four bars'),
                $text('Most people choose the four bars they are afraid of. Choose the four you would most like to hear. You '
                    .'will play them '
                    .'forty times this week, and nobody should spend forty evenings with somebody they dislike.',
                    'Play them so slowly that you can hear the next note before it comes. If you cannot hear it, sing it. If '
                    .'you cannot sing '
                    .'it, take two bars instead of four.',
                    'Play from the last bar backwards: the fourth, then the third and the fourth, and so on. You always walk '
                    .'toward what you '
                    .'know, and your hands stop dreading the end of the line.',
                    'On the third day change one thing only: the bowing, the string, the speed. On the fifth day play them once '
                    .'for somebody, '
                    .'even if it is the cat. What you can play for the cat you can keep.',
                    'Then close the book. Next week has other bars.'),
                $d->picture()->with(['picture' => $room, 'alt' => 'A cello beside a music stand in a room with a window'])),
                $d->section('exercise-card', $d->heading('Choose them now'), $d->reflection('Which four bars would you like to hear?'))),
            $page('Your week', $d->section('exercise-list', $d->heading('Your week'),
                $text('Five days of seven are a good week. Tick them off here; your ticks are still there tomorrow.'),
                $d->checklist('The cello stands out of its case', 'Day one: left hand alone', 'Day two: from the last bar backwards',
                    'Day three: one thing changed', 'Day four: as slowly as I can hear', 'Day five: played for somebody'))),
            $page('What comes next', $d->section('action-card', $d->heading('What comes next'),
                $text('You have read it all, and that is more than most people do. Tell me which four bars you chose: I answer everybody.'),
                $d->button('Write to me', 'mailto:imke@ferncroft.example'))),
        ];
    }
}
