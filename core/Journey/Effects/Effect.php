<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

/** Something that follows from an event, for the shell to carry out. */
interface Effect
{
}
