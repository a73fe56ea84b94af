<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** An operation of a work list. */
final readonly class WorkRow
{
    /**
     * @param  string  $of  by which the board asks for its order
     * @param  string|null  $code  of the order; null for what is only proposed
     * @param  string  $units  numbers, `;` between
     * @param  int  $start  minutes from 00:00 of the plan date
     * @param  string  $setupFrom  what ran before, by which setups go; may be empty
     * @param  int  $setup  minutes, rounded
     * @param  string|null  $until  day from which on its material is there; null where it is
     * @param  list<string>  $missing  what of it is not there yet
     * @param  list<WorkPart>  $parts  what its operation takes
     * @param  list<string>  $remarks
     */
    public function __construct(
        public string $of,
        public ?string $code,
        public string $label,
        public int $op,
        public string $units,
        public int $start,
        public int $end,
        public string $item,
        public string $name,
        public string $unit,
        public int $decimals,
        public string $qty,
        public string $done,
        public string $setupFrom,
        public string $setupTo,
        public int $setup,
        public ?string $until,
        public array $missing,
        public array $parts,
        public array $remarks,
        public string $way,
        public int $late,
    ) {
    }
}
