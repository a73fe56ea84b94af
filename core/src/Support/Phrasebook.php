<?php

declare(strict_types=1);

namespace Yposta\Core\Support;

/** Says phrases in a language. */
interface Phrasebook
{
    /** @throws \OutOfBoundsException when the language has no words for the code */
    public function say(Phrase $phrase): string;
}
