<?php

declare(strict_types=1);

namespace App\Rendering;

use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\Entrance;
use Lantern\Core\Page\Block\Hidden;

/** The attributes that a block's elements carry: where it is hidden, how it comes in, and on the desk which words are whose. */
final readonly class Marks
{
    /** @param  int|null  $place  which block of the page it is, for what its script reports of clicks; null where nothing can be clicked */
    public function __construct(private Block $block, private bool $editing, private ?int $place = null)
    {
    }

    /** For the element that holds the whole block. */
    public function root(string $class): string
    {
        $hidden = self::hiddenClass($this->block->hidden).self::entranceClass($this->block->entrance);

        return 'class="'.$class.$hidden.'"'.($this->editing ? ' data-block="'.$this->block->id.'"'
            : ($this->place === null ? '' : ' data-b="'.$this->place.'"'));
    }

    /** For an element that holds the words of one field, and nothing else. */
    public function words(string $field, ?int $item = null): string
    {
        return $this->editing ? ' data-field="'.$field.'"'.($item === null ? '' : ' data-item="'.$item.'"') : '';
    }

    public static function entranceClass(Entrance $entrance): string
    {
        return $entrance === Entrance::None ? '' : ' comes comes-'.$entrance->value;
    }

    public static function hiddenClass(Hidden $hidden): string
    {
        return $hidden === Hidden::Nowhere ? '' : ' not-on-'.$hidden->value;
    }
}
