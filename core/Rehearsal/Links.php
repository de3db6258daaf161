<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Block\Link;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/**
 * What can be followed in an email or on a page, each by a short name: `page:ID`, `room`, `replay`, `change`, `calendar`, `download`,
 * `outcome:NAME`, and `away` for everything elsewhere.
 */
final class Links
{
    /** Those that lead to somebody's session. */
    public const OF_SESSION = ['room', 'replay', 'change', 'calendar'];

    private const FIELDS = ['room_link' => 'room', 'replay_link' => 'replay', 'change_link' => 'change', 'calendar_link' => 'calendar',
        'download_link' => 'download'];

    /** @return list<string> of an email, in order, each once */
    public static function ofEmail(string $body): array
    {
        return array_values(array_unique(array_map(self::of(...), EmailBody::links($body))));
    }

    private static function of(string $href): string
    {
        if (preg_match('/^\s*\{\{\s*page_([A-Za-z0-9-]{1,40})/', $href, $m) === 1) {
            return "page:{$m[1]}";
        }
        $field = preg_match('/^\s*\{\{\s*([a-z][a-z0-9_]*)/', $href, $m) === 1 ? $m[1] : '';

        return self::FIELDS[$field] ?? 'away';
    }

    /** @return list<string> of the buttons and links of a page that lead to another page or choose its offer, in order, each once */
    public static function ofPage(Plan $plan, PagePlan $page): array
    {
        $links = [];
        foreach ($page->document->blocks() as $block) {
            foreach (self::sellsExtra($plan, $page, $block) ? [] : $block->links() as $url) {
                $link = Link::read($url);
                if (($link->kind === 'page' && $plan->page($link->target) !== null) || $link->kind === 'outcome') {
                    $links[] = "{$link->kind}:{$link->target}";
                }
            }
        }

        return array_values(array_unique($links));
    }

    /** Is it the price by which an extra offer is taken? Its button is no link: it takes the offer, or leads to the entry page. */
    public static function sellsExtra(Plan $plan, PagePlan $page, Block $block): bool
    {
        return $block->kind === BlockKind::Price && $page->role->isExtraOffer() && $block->field('offer') !== ''
            && $plan->offerOn($page)?->id === $block->field('offer');
    }

    /** In words, for the owner. */
    public static function words(Plan $plan, string $link): string
    {
        return match (true) {
            str_starts_with($link, 'page:') => 'the link to “'.($plan->nameOf(substr($link, 5)) ?: 'something that is gone').'”',
            $link === 'room' => 'the link into the room',
            $link === 'replay' => 'the link to the replay',
            $link === 'change' => 'the link to change the session',
            $link === 'calendar' => 'the link to the calendar file',
            $link === 'download' => 'the link to download',
            default => 'a link that leads elsewhere',
        };
    }
}
