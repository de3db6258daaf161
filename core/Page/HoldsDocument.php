<?php

declare(strict_types=1);

namespace Lantern\Core\Page;

use Lantern\Core\Parts\Part;

/** A part that is made on the page desk: what it shows is a document. */
interface HoldsDocument extends Part
{
    public function document(): Document;

    /** The same with another document. */
    public function with(Document $document): self;
}
