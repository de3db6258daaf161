<?php

declare(strict_types=1);

namespace Lantern\Core\Visits;

use Lantern\Core\Plan\PageRole;

/** A page of what is live, as far as it matters to whom it is shown. */
final readonly class SitePage
{
    /**
     * @param  list<string>  $products  ids of those whose buyers alone may see it; none where everybody may
     * @param  list<string>  $forms  ids of the forms that stand on it, where a form is sent
     */
    public function __construct(public string $id, public PageRole $role, public array $products = [], public array $forms = [])
    {
    }
}
