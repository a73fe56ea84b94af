<?php

declare(strict_types=1);

namespace Yposta\Core\Support;

use Stringable;

/** A value of a sentence that a language writes in its way: a day, an amount. As text it is what a log shows. */
interface Value extends Stringable
{
    /** Whether it is a day, for which one has to know today. */
    public function isDay(): bool;
}
