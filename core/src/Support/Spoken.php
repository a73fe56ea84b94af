<?php

declare(strict_types=1);

namespace Yposta\Core\Support;

/** Something thrown that a person will be told: it carries a phrase, and its message is only for the log. */
interface Spoken extends \Throwable
{
    public function phrase(): Phrase;
}
