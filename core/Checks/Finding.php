<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

/** One thing a check found. A blocker keeps the funnel from the public; advice does not. */
final readonly class Finding
{
    /**
     * @param  string  $code  stable, for tests and for the Studio
     * @param  string  $message  one sentence: what is wrong and why it matters
     * @param  string  $open  what to open to fix it: page, variant, pop-up, form, email, lead-magnet, way, phrases, funnel or settings
     * @param  string  $id  the id of that thing, or '' for settings
     * @param  string  $openLabel  the words on the button that takes the owner there
     * @param  string  $place  the id of the block or section on the page, if it is about one
     * @param  string  $fixLabel  the words on the button that fixes it at once (see {@see PageFix}); '' where only the owner can
     */
    public function __construct(
        public string $code,
        public bool $blocks,
        public string $message,
        public string $open,
        public string $id,
        public string $openLabel,
        public string $place = '',
        public string $fixLabel = '',
    ) {
    }

    /**
     * @return array{code: string, blocks: bool, message: string, open: string, id: string, openLabel: string,
     *     place: string, fixLabel: string}
     */
    public function toArray(): array
    {
        return ['code' => $this->code, 'blocks' => $this->blocks, 'message' => $this->message, 'open' => $this->open,
            'id' => $this->id, 'openLabel' => $this->openLabel, 'place' => $this->place, 'fixLabel' => $this->fixLabel];
    }
}
