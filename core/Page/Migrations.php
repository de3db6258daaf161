<?php

declare(strict_types=1);

namespace Lantern\Core\Page;

/** Brings a page document of an older format up to today's. A document is never refused for being old. */
final class Migrations
{
    /**
     * @param  array<array-key, mixed>  $data
     * @return array<array-key, mixed>
     */
    public static function apply(array $data): array
    {
        if (($data['format'] ?? null) === 1) {
            $data = self::toFormat2($data);
        }

        return $data;
    }

    /**
     * Format 1 knew backgrounds of pages only, and two kinds of them by the key they had.
     *
     * @param  array<array-key, mixed>  $data
     * @return array<array-key, mixed>
     */
    private static function toFormat2(array $data): array
    {
        $background = $data['background'] ?? null;
        if (is_array($background)) {
            $fill = isset($background['picture']) ? ['fill' => 'picture', 'picture' => $background['picture']]
                : (isset($background['colour']) ? ['fill' => 'colour', 'colour' => $background['colour']] : null);
            unset($data['background']);
            if ($fill !== null) {
                $data['background'] = $fill;
            }
        }

        return ['format' => 2] + $data;
    }
}
