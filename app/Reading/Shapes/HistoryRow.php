<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Something that was done to a record. */
final readonly class HistoryRow
{
    /**
     * @param  string  $at  ISO date and time
     * @param  int|null  $undoes  the commit that who looks may undo with it: their own, the last of the record; null for others
     */
    public function __construct(public string $at, public string $by, public string $sentence, public ?int $undoes, public bool $isUndone)
    {
    }
}
