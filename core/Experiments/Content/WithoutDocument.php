<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments\Content;

use Lantern\Core\Page\Document;

/** What contents that hold no document have in common. */
trait WithoutDocument
{
    public function document(): ?Document
    {
        return null;
    }

    public function withDocument(Document $document): self
    {
        return $this;
    }

    public function needs(): array
    {
        return [];
    }
}
