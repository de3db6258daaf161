<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Look;

use Lantern\Core\Support\Invalid;

/** The looks that ship with the application. */
final class Looks
{
    public const DEFAULT = 'harbour';

    /** @return array<string, Look> by id */
    public static function all(): array
    {
        static $looks = null;
        if ($looks === null) {
            $rows = [
                //  id          name          paper      ink        accent     heading font          weight  body font      corner frame
                // air  buttons  capitals
                ['harbour', 'Harbour', '#f3f7f8', '#12303f', '#c2410c', 'DM Serif Display', 400, 'DM Sans', 8, 'soft', 'even', 'solid'],
                ['orchard', 'Orchard', '#f4f6ea', '#26331d', '#4d7c0f', 'Lora', 700, 'Nunito Sans', 22, 'soft', 'even', 'solid'],
                ['graphite', 'Graphite', '#17191d', '#f2f3f5', '#3ddc97', 'Space Grotesk', 700, 'Karla', 4, 'line', 'even', 'solid'],
                ['salon', 'Salon', '#fbf1f0', '#3b1d2c', '#9d2449', 'Playfair Display', 700, 'Source Sans 3', 0, 'line', 'airy', 'ruled'],
                ['placard', 'Placard', '#ffe45c', '#16130b', '#16130b', 'Archivo', 800, 'Archivo', 0, 'hard', 'snug', 'lifted', true],
                ['linen', 'Linen', '#faf7f1', '#3a342b', '#7a5c2e', 'Cormorant Garamond', 700, 'Karla', 2, 'line', 'airy', 'ruled'],
                ['lagoon', 'Lagoon', '#0f3d4c', '#f3fbfa', '#ffb454', 'Bricolage Grotesque', 800, 'Figtree', 14, 'tilt', 'even', 'lifted'],
                ['chalk', 'Chalk', '#ffffff', '#1c1b29', '#5b3fd6', 'Figtree', 800, 'Figtree', 12, 'tilt', 'snug', 'solid'],
            ];
            $looks = [];
            foreach ($rows as $row) {
                $looks[$row[0]] = new Look($row[0], $row[1], Colour::of($row[2]), Colour::of($row[3]), Colour::of($row[4]),
                    $row[5], $row[6], $row[7], $row[8], $row[9], $row[10], $row[11], $row[12] ?? false);
            }
        }

        /** @var array<string, Look> $looks */
        return $looks;
    }

    /** @throws Invalid when there is no such look */
    public static function get(string $id, string $path = 'look'): Look
    {
        return self::all()[$id] ?? throw Invalid::at($path, 'There is no such look.');
    }
}
