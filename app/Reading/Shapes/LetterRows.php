<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Letters as far as they are shown. */
final readonly class LetterRows
{
    /** @param  list<LetterRow>  $rows */
    public function __construct(public array $rows, public int $total, public int $failed)
    {
    }
}
