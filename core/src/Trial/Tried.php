<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

use Yposta\Core\Support\Phrase;

/** A list of changes that has been tried: what all of them do, what each does on top of those before it, and what does not fit. */
final readonly class Tried
{
    /**
     * @param  array<int, Effect>  $own  by place in the list; lines that do not fit have none
     * @param  array<int, Phrase>  $troubles  why a line does not fit, by place
     */
    public function __construct(public Effect $effect, public array $own, public array $troubles)
    {
    }
}
