<?php

declare(strict_types=1);

namespace Lantern\Core\Page;

use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Look\Tones;

/** What is known of the things a page shows and that do not stand in its document. */
final readonly class PageFacts
{
    /**
     * @param  array<string, Tones>  $tones  of pictures by id
     * @param  array<string, int>  $bytes  that a desktop browser loads for a picture, by id
     * @param  list<string>  $embedHosts  from where videos may be shown
     * @param  bool  $codeRuns  does owners' own code run on public pages here?
     */
    public function __construct(
        public array $tones = [],
        public array $bytes = [],
        public array $embedHosts = [],
        public bool $codeRuns = true,
    ) {
    }

    public function tonesOf(Background $background): ?Tones
    {
        return $this->tones[$background->picture ?? ''] ?? null;
    }

    /** May a video from this address be shown on a page? Only over https, and only from a host on the owner's list. */
    public function mayEmbed(string $url): bool
    {
        $parts = parse_url($url);

        return is_array($parts) && ($parts['scheme'] ?? '') === 'https' && ! isset($parts['user']) && ! isset($parts['port'])
            && in_array(strtolower($parts['host'] ?? ''), $this->embedHosts, true);
    }
}
