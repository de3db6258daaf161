<?php

declare(strict_types=1);

namespace App\Records;

use App\Models\Funnel;
use App\Models\PublishedPage;
use Lantern\Core\Guides\FinishKind;
use Lantern\Core\Guides\FinishRule;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Guides\ReadablePage;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\LeadMagnet;
use Lantern\Core\Plan\Plan;

/** What of a published guide its readers' visits and reports ask for: kept with its page, so that no plan is read for them. */
final readonly class GuideFacts
{
    /**
     * @param  list<ReadablePage>  $pages  that are shown, in order
     * @param  array<string, string>  $names  of the pages, by id
     * @param  int  $open  so many pages anybody may read, from the first
     * @param  list<string>  $leadMagnets  ids of those that give it
     * @param  array<string, int>  $answers  blocks that keep what their reader says: how many things may be ticked; 0 where they write
     * @param  array<string, string>  $asked  what is asked in each of these, and of each thing that may be ticked as `block-number`
     */
    private function __construct(public array $pages, public array $names, public int $open, public FinishRule $finish,
        public array $leadMagnets, public array $answers, public array $asked)
    {
    }

    public static function of(Plan $plan, Guide $guide): self
    {
        $pages = $plan->pagesOf($guide->id);
        $answers = $asked = [];
        foreach ($pages as $page) {
            foreach ($page->document->blocks() as $block) {
                if ($block->kind === BlockKind::Reflection) {
                    [$answers[$block->id], $asked[$block->id]] = [0, $block->field('text')];
                } elseif ($block->kind === BlockKind::Checklist) {
                    $answers[$block->id] = count($block->items);
                    foreach ($block->items as $i => $item) {
                        $asked["{$block->id}-{$i}"] = $item['title'] ?? '';
                    }
                }
            }
        }

        return new self(array_map(ReadablePage::of(...), $pages),
            array_combine(array_map(fn (GuidePage $p): string => $p->id, $pages), array_map(fn (GuidePage $p): string => $p->name, $pages)),
            $guide->open, $guide->finish, array_values(array_map(fn (LeadMagnet $m): string => $m->id,
                array_filter($plan->leadMagnets, fn (LeadMagnet $m): bool => $m->guide === $guide->id))), $answers, $asked);
    }

    /** Of the guide as it is public; null while it is not. */
    public static function live(Funnel $funnel, string $guide): ?self
    {
        $written = $funnel->live_version_id === null ? null : PublishedPage::query()->where('version_id', $funnel->live_version_id)
            ->where('page_id', $guide)->where('variant', '')->first(['id', 'guide'])?->guide;

        return $written === null ? null : self::fromArray($written);
    }

    /** @param  array<string, mixed>  $written  as `toArray` wrote it */
    public static function fromArray(array $written): self
    {
        $pages = $names = [];
        foreach (is_array($written['pages'] ?? null) ? $written['pages'] : [] as $page) {
            if (is_array($page) && is_string($page['id'] ?? null)) {
                $pages[] = new ReadablePage($page['id'], is_int($page['seconds'] ?? null) ? $page['seconds'] : 0);
                $names[$page['id']] = is_string($page['name'] ?? null) ? $page['name'] : '';
            }
        }
        $finish = is_array($written['finish'] ?? null) ? $written['finish'] : [];
        $list = fn (string $name): array => is_array($written[$name] ?? null) ? $written[$name] : [];

        return new self($pages, $names, is_int($written['open'] ?? null) ? $written['open'] : 0,
            new FinishRule(FinishKind::tryFrom(is_string($finish['kind'] ?? null) ? $finish['kind'] : '') ?? FinishKind::All,
                is_int($finish['share'] ?? null) ? $finish['share'] : 80),
            array_values(array_filter($list('leadMagnets'), is_string(...))), array_filter($list('answers'), is_int(...)),
            array_filter($list('asked'), is_string(...)));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['pages' => array_map(fn (ReadablePage $p): array => ['id' => $p->id, 'seconds' => $p->seconds,
            'name' => $this->names[$p->id]], $this->pages), 'open' => $this->open, 'finish' => $this->finish->toArray(),
            'leadMagnets' => $this->leadMagnets, 'answers' => $this->answers, 'asked' => $this->asked];
    }

    /** @return list<string> */
    public function ids(): array
    {
        return array_map(fn (ReadablePage $p): string => $p->id, $this->pages);
    }

    /** @return list<string> ids of the pages that anybody may read */
    public function openPages(): array
    {
        return array_slice($this->ids(), 0, $this->open);
    }
}
