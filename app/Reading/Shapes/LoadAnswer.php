<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Why a centre is as full as it is in a period. */
final readonly class LoadAnswer
{
    /**
     * @param  int  $open  minutes of its units by shifts and working days alone
     * @param  list<string>  $closures  that take off of it, in words
     * @param  list<string>  $shifts  in words
     * @param  list<LoadOperation>  $operations  what takes most first, so many as are told
     * @param  list<LoadDemand>  $demands  what takes most first
     * @param  string|null  $note  to sales, where it does not fit
     */
    public function __construct(
        public string $centre,
        public string $name,
        public int $units,
        public string $efficiency,
        public LoadPeriod $period,
        public LoadFigure $figure,
        public int $open,
        public array $shifts,
        public array $closures,
        public array $operations,
        public int $operationCount,
        public array $demands,
        public int $demandCount,
        public int $forNobody,
        public ?string $note,
    ) {
    }
}
