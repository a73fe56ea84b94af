<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

use Yposta\Core\Support\Phrase;

/** A list of changes that has been tried: what all of them do, what each does on top of those before it, and what does not fit. */
final readonly class Tried
{
    /** @var array<int, Effect> by place in the list; lines that do not fit have none */
    public array $own;

    /** @var array<int, Phrase> why a line does not fit, by place */
    public array $troubles;

    public function __construct(public Effect $effect, public TriedLines $lines)
    {
        $this->own = array_filter($lines->own);
        $this->troubles = array_filter($lines->troubles, fn (?Phrase $trouble) => $trouble !== null);
    }
}
