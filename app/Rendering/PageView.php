<?php

declare(strict_types=1);

namespace App\Rendering;

use App\Languages\SiteVoice;
use App\Languages\Voices;
use App\Models\Business;
use App\Models\Upload;
use App\Support\RichText;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\View;
use Illuminate\Support\HtmlString;
use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Deadlines\ShownState;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Languages\Spoken;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Block\Link;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Look;
use Lantern\Core\Page\PageFacts;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** One page while it is drawn: what its views ask for. */
final readonly class PageView
{
    public Document $document;

    /** In which its readers are spoken to. */
    public string $language;

    public SiteVoice $voice;

    public Look $look;

    /** @var array<string, int> by the id of a block: which of the page's it is */
    private array $places;

    /** @var array<string, true> ids of the sections that links on the page lead to */
    private array $anchors;

    private ?string $firstHeading;

    /**
     * @param  array<string, Upload>  $uploads  pictures and videos by id
     * @param  ShownState  $shown  the state of deadlines in which the desk shows it
     * @param  Business|null  $business  in whose words it speaks; null for those that ship
     * @param  SeenAt|null  $seen  by whom it is looked at in a rehearsal
     */
    public function __construct(
        public Plan $plan,
        public PagePlan $page,
        public Mode $mode,
        public array $uploads,
        public PageFacts $facts,
        public ShownState $shown = ShownState::TwoDays,
        ?Business $business = null,
        private ?SeenAt $seen = null,
    ) {
        $this->document = $page->document;
        $this->places = array_flip(array_map(fn (Block $b): string => $b->id, $this->document->blocks()));
        $this->language = $plan->languageOf($page);
        $this->voice = Voices::of($this->language, $business, $plan->phrases());
        $this->look = $plan->lookOf($page->document->look);
        $anchors = [];
        foreach ($this->document->blocks() as $block) {
            foreach ($block->links() as $url) {
                $link = Link::read($url);
                if ($link->kind === 'section') {
                    $anchors[$link->target] = true;
                }
            }
        }
        foreach ($plan->popups as $popup) {
            foreach ($popup->triggers as $trigger) {
                $anchors[$trigger->section] = true;
            }
        }
        $this->anchors = $anchors;
        $this->firstHeading = ($this->document->blocksOf(BlockKind::Heading)[0] ?? null)?->id;
    }

    public function editing(): bool
    {
        return $this->mode->editing();
    }

    public function leftToRight(): HtmlString
    {
        return $this->voice->leftToRight();
    }

    public function language(): Language
    {
        return $this->voice->language();
    }

    /**
     * What the application itself says on it.
     *
     * @param  array<string, int|float|string|Spoken|Phrase>  $values
     */
    public function say(Phrase|string $phrase, array $values = []): string
    {
        return $this->voice->say($phrase, $values);
    }

    /** A countdown: for visitors a slot, since it is another one for each; on the desk as it looks in the chosen state. */
    public function countdown(Block $block, Marks $at): HtmlString
    {
        if (! $this->editing()) {
            return new HtmlString(Slots::name('countdown', $block->id));
        }
        $now = $this->seen->now ?? CarbonImmutable::now();
        $zone = $this->seen->person->zone ?? new DateTimeZone($this->plan->sender->timeZone);
        $deadline = $this->plan->deadline($block->field('deadline'));
        $run = match (true) {
            $deadline === null => Countdown::typed($block->field('until'), new DateTimeZone($this->plan->sender->timeZone), $now),
            $this->seen !== null => $this->seen->runs[$deadline->id] ?? null,
            default => $this->shown->run($now),
        };
        $words = '<span class="countdown-words"'.$at->words('text').'>'.e($block->field('text')).'</span>';
        $html = Countdown::of($block, $this->voice, $zone, $now)->html($run,
            $run?->state($now) ?? DeadlineState::NotStarted, $words, $at->root(...));

        return new HtmlString($html !== '' ? $html : '<div '.$at->root('countdown sentence').'>'.$words.' <time>'
            .($deadline === null ? 'Choose a deadline, or a moment.' : 'Shown once the deadline has started.').'</time></div>');
    }

    /** What shows a webinar: for visitors a slot, since it is another one for each; on the desk a picture of it in words. */
    public function webinar(Block $block, Marks $at): HtmlString
    {
        if (! $this->editing()) {
            return new HtmlString(Slots::name($block->kind->value, $block->id));
        }
        $webinar = $this->plan->webinar($block->field('webinar'));

        return new HtmlString(View::make('site.webinar.desk', ['block' => $block, 'at' => $at, 'webinar' => $webinar,
            'view' => $this, 'example' => WebinarExample::of($webinar, $this->voice)])->render());
    }

    public function marks(Block $block): Marks
    {
        return new Marks($block, $this->editing(), $this->editing() || ! $block->kind->isPressed() ? null : $this->places[$block->id]
            ?? null);
    }

    public function headingLevel(Block $block): string
    {
        return $block->id === $this->firstHeading && ! $this->page->isPopup() ? 'h1' : 'h2';
    }

    public function isAnchor(string $section): bool
    {
        return isset($this->anchors[$section]);
    }

    public function upload(string $id): ?Upload
    {
        return $id === '' ? null : $this->uploads[$id] ?? null;
    }

    /** The attributes of a link that leads there; none on the desk, where a click chooses, and none for what leads nowhere. */
    public function href(string $url): HtmlString
    {
        if ($this->editing()) {
            return new HtmlString('');
        }
        $address = $this->address($url);

        return new HtmlString($address === null ? ''
            : 'href="'.$address.'"'.(preg_match('~^https?:~i', $url) === 1 ? ' rel="noopener"' : ''));
    }

    /**
     * The whole address that is shared, ready for an attribute: a page of the funnel, or one elsewhere; where none is chosen the
     * funnel's first page. What somebody else is to open is never the reader's own place, such as a room or a download.
     *
     * @param  bool  $inMail  as a part of the body of a mailto address
     */
    public function shared(string $url, bool $inMail = false): HtmlString
    {
        $link = Link::read($url);
        if ($link->kind === 'outside') {
            return new HtmlString($inMail ? rawurlencode($url) : e($url));
        }
        $page = $link->kind === 'page' && $this->plan->page($link->target) !== null ? $link->target : $this->plan->entry()->id ?? '';

        $source = '?utm_source=shared';

        return new HtmlString(Slots::name('whole', $page).($inMail ? rawurlencode($source) : $source));
    }

    /** Words as an owner wrote them, with the links inside the page made whole. */
    public function words(string $html): RichText
    {
        $clean = RichText::words($html);

        return $this->editing() ? $clean : $clean->withLinks($this->address(...));
    }

    /** May this video be shown on the page itself? */
    public function mayEmbed(string $url): bool
    {
        return $this->facts->mayEmbed($url);
    }

    /** An address ready for an attribute; null where there is none. */
    private function address(string $url): ?string
    {
        $link = Link::read($url);
        if ($link->kind === 'outcome') {
            $outcome = Outcome::tryFrom($link->target);
            // What is bought on the page itself is bought there, and “no thanks” is an act of its own.
            if ($this->plan->offerOn($this->page) !== null && $outcome === Outcome::Bought) {
                return '#buy';
            }
            if ($this->page->role->isExtraOffer() && $this->plan->offerOn($this->page) !== null && $outcome === Outcome::Declined) {
                return Slots::name('here').'?answer=no';
            }
            $way = $outcome === null ? null : (new Journey($this->plan))->way($this->page->id, $outcome);

            return $way === null ? null : ($way->toUrl !== null ? e($way->toUrl) : $this->pageAddress((string) $way->toPage));
        }

        return match ($link->kind) {
            'page' => $this->pageAddress($link->target),
            'section' => '#s-'.$link->target,
            // Opened over the page where scripts run; where they do not, a page of its own.
            'popup' => in_array($link->target, Link::STEPS, true) ? "#{$link->target}"
                : ($this->plan->popup($link->target) === null ? null : '/p/'.$link->target),
            'outside' => e($url),
            default => null,
        };
    }

    private function pageAddress(string $page): ?string
    {
        return $this->plan->page($page) === null ? null : Slots::name('page', $page);
    }
}
