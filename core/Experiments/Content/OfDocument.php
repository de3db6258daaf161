<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments\Content;

use Lantern\Core\Page\Document;

/** What contents that hold a document have in common. */
trait OfDocument
{
    public static function required(): array
    {
        return ['document'];
    }

    public function document(): Document
    {
        return $this->document;
    }

    public function needs(): array
    {
        return [...$this->document->references(), ...$this->document->shared()];
    }

    public function references(): array
    {
        return array_values(array_unique([...$this->needs(), ...$this->document->pages(), ...$this->document->popups()]));
    }

    public function uploads(): array
    {
        return array_values(array_unique([...$this->document->pictures(), ...$this->document->videos()]));
    }
}
