<?php

declare(strict_types=1);

namespace App\Serving;

use App\Models\Business;
use App\Support\AnswerKind;
use App\Support\Hosts;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;

/**
 * What a browser lets a public page do: what it embeds is let in, and its owner's code may run where it can reach nothing of the Studio.
 */
final readonly class PagePolicy
{
    /** @param  list<string>  $frames  hosts whose videos the page shows */
    private function __construct(private array $frames, private bool $hasCode)
    {
    }

    public static function of(PagePlan $page, Business $business): self
    {
        $embeds = array_filter($page->document->blocksOf(BlockKind::Video), fn (Block $b): bool => $b->field('url') !== '') !== []
            || $page->document->blocksOf(BlockKind::Embed) !== [] || $page->document->blocksOf(BlockKind::Room) !== [];

        return new self($embeds ? $business->embed_hosts : [], $page->settings->hasCode());
    }

    /** @param  array<string, mixed>  $written  as `toArray` wrote it */
    public static function fromArray(array $written): self
    {
        $frames = is_array($written['frames'] ?? null) ? $written['frames'] : [];

        return new self(array_values(array_filter($frames, is_string(...))), ($written['code'] ?? false) === true);
    }

    /** For a page that is shown without its code. */
    public function withoutCode(): self
    {
        return new self($this->frames, false);
    }

    /** @return array{frames: list<string>, code: bool} */
    public function toArray(): array
    {
        return ['frames' => $this->frames, 'code' => $this->hasCode];
    }

    /** @return array<string, string> */
    public function headers(): array
    {
        if ($this->hasCode && Hosts::areSeparate()) {
            return AnswerKind::PageWithCode->headers();
        }
        $headers = AnswerKind::Page->headers();
        $frames = implode(' ', array_map(fn (string $host): string => "https://{$host}", $this->frames));

        return $frames === '' ? $headers
            : ['Content-Security-Policy' => $headers['Content-Security-Policy']."; frame-src {$frames}"] + $headers;
    }
}
