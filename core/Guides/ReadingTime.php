<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Document;

/** How long somebody takes who reads calmly, as far as words and pictures say. */
final class ReadingTime
{
    /** Words in a minute. */
    public const PACE = 220;

    /** Seconds for a picture or a video's first look; likewise for each thing to answer or to tick off. */
    private const LOOK = 6;

    private const ANSWER = 30;

    private const TICK = 4;

    /** @return int seconds */
    public static function of(Document $document): int
    {
        $seconds = 0.0;
        foreach ($document->blocks() as $block) {
            foreach ($block->passages() as $passage) {
                $seconds += self::words($passage) * 60 / self::PACE;
            }
            $seconds += match ($block->kind) {
                BlockKind::Picture, BlockKind::Cover, BlockKind::Video, BlockKind::Embed => self::LOOK,
                BlockKind::Gallery => self::LOOK * count($block->items),
                BlockKind::Reflection => self::ANSWER,
                BlockKind::Checklist => self::TICK * count($block->items),
                default => 0,
            };
        }

        return (int) ceil($seconds);
    }

    /** In whole minutes, as it is said: never none. */
    public static function minutes(int $seconds): int
    {
        return max(1, (int) round($seconds / 60));
    }

    /** Of writing without spaces two signs are taken for a word. */
    private static function words(string $text): float
    {
        $signs = preg_match_all('/[\p{Han}\p{Hiragana}\p{Katakana}\p{Thai}]/u', $text);

        return preg_match_all('/[\p{L}\p{N}][\p{L}\p{N}\'’\-]*/u', (string) preg_replace('/[\p{Han}\p{Hiragana}\p{Katakana}\p{Thai}]/u',
            ' ',
            $text)) + $signs / 2;
    }
}
