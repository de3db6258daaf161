<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Drafts\DraftRows;
use App\Drafts\NewFunnel;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Ids;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Section;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\SharedSection;
use Lantern\Core\Starters\StarterDesk;

/** The pages of the demo as Imke Farrow made them: words and pictures of her own on what the starters gave her. */
final readonly class DemoPages
{
    public function __construct(private NewFunnel $new)
    {
    }

    /** The short opt-in page grows: what is in the guide, who it is for, who writes, what others say. */
    public function grow(Funnel $funnel, string $portrait): void
    {
        $entry = DraftPart::there($funnel->id, 'page')->firstOrFail();
        $document = Document::fromArray($entry->definition['document']);
        $d = new StarterDesk($funnel->business->sender(), Ids::next(...), 'The Twelve-Minute Practice Plan');
        $footer = $document->sections[count($document->sections) - 1];
        $more = [
            $d->section('learn-icons', $d->heading('Five pages, twelve minutes a day'), $d->points([
                ['clock', 'A plan that fits', 'Twelve minutes between two other things, and what to do in each of them.'],
                ['note', 'Four bars at a time', 'How to choose them, and when to let them go.'],
                ['heart', 'Hands that do not hurt', 'Two stretches before, one after. They are part of the twelve minutes.'],
            ])),
            $d->section('fit-cards', $d->heading('Is it for you?'), $d->fit(
                ['you took up the cello as a grown-up', 'an hour of practice never happens',
                    'you would like to play something, not only exercises'],
                ['you prepare for an audition', 'you look for a trick that does the work for you'])),
            $d->section('host-left', $d->eyebrow('Who is writing'), $d->heading('I am Imke Farrow'),
                $d->text('I have taught adults for nineteen years, most of them beginners past forty. They are the best listeners I know '
                    .'and the worst at finding an hour. So I stopped asking for an hour.'),
                $d->picture()->with(['picture' => $portrait, 'alt' => 'A cello beside a music stand in a room with a window'])),
            $d->section('questions-folded', $d->heading('Before you ask'), $d->questions([
                'Do I need to read music?' => 'No. What has to be read is drawn beside it.',
                'What comes after the guide?' => 'An email now and then, with one thing to try. You can leave with one click.',
                'I have no teacher. Is that a problem?' => 'Not for this. Twelve careful minutes do no harm, and they show you what to '
                    .'ask one.',
            ])),
        ];
        $entry->change(['document' => $document->with([...array_slice($document->sections, 0, -1), ...$more, $footer])->toArray()])->save();
    }

    /** One footer, kept once, on all pages. */
    public function footer(Funnel $funnel): void
    {
        $d = new StarterDesk($funnel->business->sender(), Ids::next(...), '');
        $section = $d->section('footer-centred',
            $d->text('Ferncroft Cello Room · 3 Ferncroft Yard, Exampleton · You can unsubscribe from any email with one click.'));
        $shared = DraftRows::add($funnel, new SharedSection(Ids::next(), 'Footer', $section));
        foreach (DraftPart::there($funnel->id, 'page')->get() as $page) {
            $document = Document::fromArray($page->definition['document']);
            $sections = array_map(fn (Section $s): Section => $s->kind === $section->kind
                ? new Section($s->id, $s->kind, $s->arrangement, [], $s->background, shared: $shared->id) : $s, $document->sections);
            $page->change(['document' => $document->with($sections)->toArray()])->save();
        }
    }

    /** Two funnels she is still working on. */
    public function drafts(Business $business, string $portrait): void
    {
        $this->new->fromStarter($business, Goal::WaitingList, 'First Season, autumn list', 'First Season', null);
        $webinar = $this->new
            ->fromStarter($business, Goal::Webinar, 'Open strings webinar', 'From Open Strings to Your First Melody', null,
                Money::of(29_000, Currency::of('EUR')));
        $webinar->forceFill(['look' => 'lagoon'])->save();
        foreach (DraftPart::query()->where('funnel_id', $webinar->id)->where('kind', 'page')->get() as $page) {
            $document = $page->definition['document'];
            foreach ($document['sections'] as $s => $section) {
                foreach ($section['blocks'] as $b => $block) {
                    if ($block['kind'] === 'picture') {
                        $document['sections'][$s]['blocks'][$b] = ['picture' => $portrait,
                            'alt' => 'A cello beside a music stand in a room with a window'] + $block;
                    }
                }
            }
            $page->change(['document' => $document])->save();
        }
    }
}
