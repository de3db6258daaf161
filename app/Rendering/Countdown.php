<?php

declare(strict_types=1);

namespace App\Rendering;

use App\Languages\SiteVoice;
use App\Support\Html;
use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\DeadlineState;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Look\Colour;
use Lantern\Core\Page\Look\Contrast;
use Lantern\Core\Support\WallClock;

/** A countdown as it is drawn for somebody: true at the moment it is sent, and told in words for those without script. */
final readonly class Countdown
{
    private const PARTS = ['day' => 86_400, 'hour' => 3600, 'minute' => 60, 'second' => 1];

    /**
     * @param  array<string, string>  $fields  of the block
     * @param  SiteVoice  $voice  in the language of the page
     * @param  DateTimeZone  $zone  of whoever reads it
     * @param  string  $key  the same for one end of one deadline, so that a browser can remember what it has shown
     * @param  bool  $leadsOn  does the page lead on by itself at the end?
     */
    public function __construct(
        private array $fields,
        private string $style,
        private SiteVoice $voice,
        private DateTimeZone $zone,
        private DateTimeImmutable $now,
        private string $key = '',
        private bool $leadsOn = true,
    ) {
    }

    /** For a block, as one reader sees it. */
    public static function of(Block $block, SiteVoice $voice, DateTimeZone $zone, DateTimeImmutable $now, string $key = '',
        bool $leadsOn = true): self
    {
        return new self($block->fields, $block->style(), $voice, $zone, $now, $key, $leadsOn);
    }

    /** The run of a countdown to a moment that its owner typed, and that no deadline holds. */
    public static function typed(string $moment, DateTimeZone $zone, DateTimeImmutable $now): ?Run
    {
        if ($moment === '') {
            return null;
        }
        $end = WallClock::at(substr($moment, 0, 10), substr($moment, 11), $zone);

        return new Run(min($now, $end), $end);
    }

    /**
     * @param  string  $words  ready HTML of the words beside it
     * @param  callable(string $class): string  $root  attributes of the element, such as its class with the marks of the desk
     */
    public function html(?Run $run, DeadlineState $state, string $words, callable $root): string
    {
        if ($run === null || $state === DeadlineState::NotStarted) {
            return '';
        }
        $left = $run->left($this->now);
        $language = $this->voice->language()->tag;

        $class = 'countdown '.$this->style.($this->field('size') === '' ? '' : ' is-'.$this->field('size'))
            .($this->field('labels') === 'none' ? ' unlabelled' : '').($left === 0 ? ' is-over' : '');
        $colours = self::colours($this->field('colour'));
        $data = '';
        foreach (['until' => (string) self::milliseconds($run->endsAt), 'from' => (string) self::milliseconds($run->startedAt),
            'now' => (string) self::milliseconds($this->now), 'lang' => $this->voice->language()->plain(), 'key' => $this->key,
            'then' => $this->leadsOn ? 'lead' : 'say',
            'forms' => json_encode(TimeWords::labels($language), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)] as $name => $value) {
            $data .= " data-{$name}=\"".Html::text($value).'"';
        }

        return '<div '.$root($class).' role="timer"'.($colours === '' ? '' : ' style="'.Html::text($colours).'"')
            .$data.' data-units="'.implode(' ', $this->units())."\">\n"
            .'<span class="countdown-told">'.$words.' <time datetime="'.gmdate('Y-m-d\TH:i:s\Z', $run->endsAt->getTimestamp()).'">'
            .Html::text(TimeWords::moment($run->endsAt, $this->zone, $language, $this->now))."</time></span>\n"
            .($this->style === 'line' ? '<span class="countdown-line" aria-hidden="true"><i data-share style="inline-size:'
                .self::share($run, $this->now) * 100 ."%\"></i></span>\n" : '')
            .'<span class="clock" aria-hidden="true">'.$this->clock($left, $language)."</span>\n"
            .'<span class="unseen" data-left>'.Html::text(TimeWords::left($left, $language))."</span>\n"
            .'<span class="countdown-over">'.Html::text($this->field('over') ?: $this->voice->say('page.time_is_up'))."</span>\n</div>\n";
    }

    private function clock(int $left, string $language): string
    {
        $clock = '';
        foreach (self::parts($left, $this->units(), $language) as $part) {
            $ring = $this->style !== 'ring' ? '' : '<svg viewBox="0 0 36 36"><circle cx="18" cy="18" r="16"/><circle class="arc" cx="18"'
                .' cy="18" r="16" pathLength="100" stroke-dasharray="'.round($part['share'] * 100, 1).' 100"/></svg>';
            $clock .= "<span data-unit=\"{$part['unit']}\">{$ring}<b>{$part['figure']}</b><i>".Html::text($part['label']).'</i></span>';
        }

        return $clock;
    }

    private function field(string $name): string
    {
        return $this->fields[$name] ?? '';
    }

    /** @return list<string> the units it shows, the largest first */
    private function units(): array
    {
        return match ($this->field('units')) {
            'no-seconds' => ['day', 'hour', 'minute'],
            'days' => ['day'],
            'clock' => ['hour', 'minute', 'second'],
            default => ['day', 'hour', 'minute', 'second'],
        };
    }

    /**
     * The figures: the largest unit takes all that is above it. Where seconds are not shown, what has begun counts, so that it
     * never says none is left while some is.
     *
     * @param  list<string>  $units
     * @return list<array{unit: string, figure: string, label: string, share: float}>
     */
    public static function parts(int $left, array $units, string $language): array
    {
        $smallest = self::PARTS[$units[count($units) - 1]];
        $left = intdiv($left + $smallest - 1, $smallest) * $smallest;
        $labels = TimeWords::labels($language);
        $parts = [];
        foreach ($units as $i => $unit) {
            $count = intdiv($left, self::PARTS[$unit]);
            $left -= $count * self::PARTS[$unit];
            $whole = ['day' => 30, 'hour' => 24, 'minute' => 60, 'second' => 60][$unit];
            $parts[] = ['unit' => $unit, 'figure' => str_pad((string) $count, $unit === 'day' && $i === 0 ? 1 : 2, '0', STR_PAD_LEFT),
                'label' => $labels[$unit][TimeWords::form($count, $language)] ?? $labels[$unit]['other'],
                'share' => min(1, $count / $whole)];
        }

        return $parts;
    }

    /** How much of the whole time is left, from 0 to 1. */
    private static function share(Run $run, DateTimeImmutable $now): float
    {
        $whole = max(1, $run->endsAt->getTimestamp() - $run->startedAt->getTimestamp());

        return round(min(1, max(0, ($run->endsAt->getTimestamp() - $now->getTimestamp()) / $whole)), 4);
    }

    private static function milliseconds(DateTimeImmutable $at): int
    {
        return (int) $at->format('U') * 1000 + (int) $at->format('v');
    }

    /** A colour of the owner's own, and one that can be read on it. */
    private static function colours(string $colour): string
    {
        if ($colour === '') {
            return '';
        }
        $own = Colour::of($colour);

        return '--count:'.$own->hex().';--on-count:'.Contrast::readableOn($own, Colour::of('#ffffff'))->hex();
    }
}
