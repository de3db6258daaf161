<?php

declare(strict_types=1);

namespace Lantern\Core\Page;

enum SectionKind: string
{
    case Opening = 'opening';
    case Words = 'words';
    case Footer = 'footer';
}
