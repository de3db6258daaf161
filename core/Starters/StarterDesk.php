<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

use Closure;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Design\Designs;
use Lantern\Core\Page\Design\DesignWords;
use Lantern\Core\Page\Section;
use Lantern\Core\Plan\LeadMagnet;
use Lantern\Core\Plan\Sender;
use Lantern\Core\Webinars\Webinar;
use Lantern\Core\Webinars\WebinarMode;

/** What the starters write with: the facts of one funnel, and short ways to make sections and blocks. */
final class StarterDesk
{
    /** The id a block has until its section gives it one. */
    private const NEW = 'new';

    /** @var array<string, string> page ids by role and number: `sales`, `lesson-2` */
    private array $pages = [];

    /** Are these all the pages there will be? */
    private bool $complete = false;

    /**
     * @param  Closure(): string  $newId
     * @param  string  $title  of what the funnel is about: the lead magnet, the webinar, the programme
     * @param  array<string, Offered>  $offers  what the funnel sells, by the names of {@see StarterOffers::KEYS}
     * @param  Webinar|null  $webinar  that the funnel holds
     * @param  StarterWords  $words  in which language it is written
     */
    public function __construct(
        public readonly Sender $sender,
        private readonly Closure $newId,
        public readonly string $title,
        public readonly ?LeadMagnet $leadMagnet = null,
        public readonly ?FormPlan $form = null,
        public readonly array $offers = [],
        public readonly ?Webinar $webinar = null,
        private readonly StarterWords $words = new EnglishWords,
    ) {
    }

    /**
     * For one page in a funnel that is there: links lead to the pages it has, and nowhere for those it lacks.
     *
     * @param  array<string, string>  $pages  ids by role
     */
    public function inFunnel(array $pages): self
    {
        $desk = new self($this->sender, $this->newId, $this->title, $this->leadMagnet, $this->form, $this->offers, $this->webinar,
            $this->words);
        $desk->pages = $pages;
        $desk->complete = true;

        return $desk;
    }

    public function id(): string
    {
        return ($this->newId)();
    }

    public function withForm(FormPlan $form): self
    {
        return $this->with($form, $this->offers, $this->webinar);
    }

    /** @param  array<string, Offered>  $offers  by name */
    public function withOffers(array $offers): self
    {
        return $this->with($this->form, $offers, $this->webinar);
    }

    public function withWebinar(Webinar $webinar): self
    {
        return $this->with($this->form, $this->offers, $webinar);
    }

    /** @param  array<string, Offered>  $offers */
    private function with(?FormPlan $form, array $offers, ?Webinar $webinar): self
    {
        $desk = new self($this->sender, $this->newId, $this->title, $this->leadMagnet, $form, $offers, $webinar,
            $this->words);
        $desk->pages = $this->pages;
        $desk->complete = $this->complete;

        return $desk;
    }

    /** The id of an offer by its name; '' where the funnel has none. */
    public function offer(string $name): string
    {
        return ($this->offers[$name] ?? null)->offer->id ?? '';
    }

    /** Where the button of the main offer leads: to its checkout, where there is an offer. */
    public function toBuying(): string
    {
        return $this->offer('main') === '' ? 'outcome:bought' : 'outcome:chose';
    }

    /** Is there such a page already, or has something led to it? */
    public function known(string $name): bool
    {
        return isset($this->pages[$name]);
    }

    /** The id of a page that is there or will be, always the same for the same name. */
    public function page(string $name): string
    {
        return $this->pages[$name] ??= $this->id();
    }

    /** Where a button to that page leads, as {@see \Lantern\Core\Page\Block\Link} reads it; '' where there is no such page. */
    public function link(string $page): string
    {
        return $this->complete && ! isset($this->pages[$page]) ? '' : 'page:'.$this->page($page);
    }

    /** The title, safe inside HTML. */
    public function titleHtml(): string
    {
        return self::html($this->title);
    }

    /**
     * A text of the starters in the language of the funnel.
     *
     * @param  string  $english  as it is known, with merge fields, and values as `:name`
     * @param  array<string, string>  $values  by name; in a text that is HTML, as HTML
     */
    public function say(string $english, array $values = []): string
    {
        return strtr($this->words->of($english), array_combine(array_map(fn (string $name): string => ":{$name}", array_keys($values)),
            $values));
    }

    /** A whole email around these words. */
    public function letter(string $words): string
    {
        return '<p>'.$this->say('Hello {{first_name|there}},').'</p>'.$words.'<p>'.$this->say('Warmly,').'<br>'.$this->signed().'</p>';
    }

    /** Who signs: the sender's name, or the business if there is none. Safe inside HTML. */
    public function signed(): string
    {
        return self::html($this->sender->host());
    }

    public static function html(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5);
    }

    public function section(string $design, Block ...$blocks): Section
    {
        return Designs::get($design)->filled($this->newId, array_values($blocks));
    }

    public function eyebrow(string $text): Block
    {
        return new Block(self::NEW, BlockKind::Eyebrow, ['text' => mb_substr($text, 0, 120)]);
    }

    public function heading(string $text): Block
    {
        return new Block(self::NEW, BlockKind::Heading, ['text' => mb_substr($text, 0, 300)]);
    }

    public function text(string $html): Block
    {
        return new Block(self::NEW, BlockKind::Text, ['html' => $html]);
    }

    public function bullets(string ...$items): Block
    {
        return new Block(self::NEW, BlockKind::Bullets, ['html' => self::listHtml(...$items)]);
    }

    /** @param  list<array{string, string, string}>  $points  sign, title, words */
    public function points(array $points): Block
    {
        return new Block(self::NEW, BlockKind::Points, [],
            array_map(fn (array $p): array => ['icon' => $p[0], 'title' => $p[1], 'html' => $p[2], 'value' => ''], $points));
    }

    /** @param  array<string, string>  $answers  by question */
    public function questions(array $answers): Block
    {
        return new Block(self::NEW, BlockKind::Questions, [],
            array_map(fn (string $q, string $a): array => ['title' => $q, 'html' => $a], array_keys($answers), $answers));
    }

    /** @param  list<array{string, string, string}>  $entries  when, what, words */
    public function agenda(array $entries): Block
    {
        return new Block(self::NEW, BlockKind::Agenda, [],
            array_map(fn (array $e): array => ['when' => $e[0], 'title' => $e[1], 'html' => $e[2]], $entries));
    }

    /**
     * @param  list<string>  $yes
     * @param  list<string>  $no
     */
    public function fit(array $yes, array $no): Block
    {
        return new Block(self::NEW, BlockKind::Fit,
            ['yes' => $this->say('This is for you if'), 'html' => self::listHtml(...$yes), 'no' => $this->say('It is not for you if'),
                'notHtml' => self::listHtml(...$no)]);
    }

    /**
     * A price card that names an offer; without one it asks for a price.
     *
     * @param  string  $title  where there is no offer to name
     */
    public function price(string $offer, string $title, string $button, string $url, string ...$holds): Block
    {
        return new Block(self::NEW, BlockKind::Price,
            ['name' => mb_substr(($this->offers[$offer] ?? null)->name ?? $title, 0, 120), 'was' => '',
                'price' => $this->offer($offer) === '' ? $this->say('[the price]') : '',
                'note' => $this->offer($offer) === '' ? $this->say('One payment, no subscription.') : '',
                'html' => self::listHtml(...$holds), 'text' => $button, 'url' => $url, 'offer' => $this->offer($offer)]);
    }

    public function checkout(string $offer = 'main'): Block
    {
        return new Block(self::NEW, BlockKind::Checkout, array_map(fn (string $v): string => $v === $this->offer($offer) ? $v
            : $this->say($v),
            DesignWords::checkout($this->offer($offer))));
    }

    /** A countdown to the end of a deadline, by the name that the starter uses. */
    public function countdown(string $style, string $words, string $deadline): Block
    {
        return new Block(self::NEW, BlockKind::Countdown, ['text' => $words, 'until' => '', 'deadline' => $this->page($deadline)], [],
            $style);
    }

    public function purchases(): Block
    {
        return new Block(self::NEW, BlockKind::Purchases, ['text' => $this->say('Your purchases appear here.')]);
    }

    public function formBlock(): Block
    {
        return new Block(self::NEW, BlockKind::Form, ['form' => $this->form->id ?? '']);
    }

    /** What shows the webinar: `Session`, `Room` or `Replay`. */
    public function webinarBlock(BlockKind $kind, string $text = ''): Block
    {
        return new Block(self::NEW, $kind, ['webinar' => $this->webinar->id ?? '']
            + ($kind === BlockKind::Replay ? ['over' => $text] : ['text' => $text]));
    }

    /** Is it held by a host who speaks while it is seen? */
    public function isLive(): bool
    {
        return $this->webinar === null || $this->webinar->mode === WebinarMode::Live;
    }

    public function button(string $text, string $url, string $style = ''): Block
    {
        return new Block(self::NEW, BlockKind::Button, ['text' => $text, 'url' => $url], [], $style);
    }

    public function cover(): Block
    {
        return new Block(self::NEW, BlockKind::Cover, ['text' => mb_substr($this->title, 0, 200), 'alt' => '']);
    }

    public function picture(): Block
    {
        return new Block(self::NEW, BlockKind::Picture, ['alt' => '']);
    }

    public function video(string $title): Block
    {
        return new Block(self::NEW, BlockKind::Video, ['text' => mb_substr($title, 0, 200)]);
    }

    public function seal(string $text, string $note): Block
    {
        return new Block(self::NEW, BlockKind::Seal, ['text' => $text, 'note' => $note]);
    }

    public function logo(): Block
    {
        return new Block(self::NEW, BlockKind::Logo, ['text' => '{{business}}']);
    }

    /** @param  array<string, string>  $entries  addresses by title */
    public function menu(array $entries): Block
    {
        return new Block(self::NEW, BlockKind::Menu, [],
            array_map(fn (string $t, string $u): array => ['title' => $t, 'url' => $u], array_keys($entries), $entries));
    }

    public function download(): Block
    {
        return new Block(self::NEW, BlockKind::Download, ['leadMagnet' => $this->leadMagnet->id ?? '',
            'text' => $this->say('Download it now')]);
    }

    public function reflection(string $question): Block
    {
        return new Block(self::NEW, BlockKind::Reflection, ['text' => mb_substr($question, 0, 300)]);
    }

    public function checklist(string ...$things): Block
    {
        return new Block(self::NEW, BlockKind::Checklist, [], array_map(fn (string $t): array => ['title' => $t], array_values($things)));
    }

    public function footer(): Section
    {
        return $this->section('footer-centred',
            $this->text($this->say('{{business}} · You can unsubscribe from any email with one click.')));
    }

    private static function listHtml(string ...$items): string
    {
        return '<ul>'.implode('', array_map(fn (string $i): string => "<li>{$i}</li>", $items)).'</ul>';
    }
}
