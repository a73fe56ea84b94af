<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What a job needs, where it comes from, and what it costs. */
final readonly class JobLineRow
{
    /**
     * @param  DataRecord  $row  as it is kept
     * @param  string|null  $item  null for a placeholder
     * @param  bool  $isPlanned  whether the live plan has it
     * @param  list<ExplanationPeg>  $from  what serves it in the live plan, and when
     * @param  string  $stock  how much of it stock gives
     * @param  string  $ordered  open orders
     * @param  string  $proposed  proposals
     */
    public function __construct(
        public DataRecord $row,
        public string $reference,
        public string $line,
        public string $activity,
        public ?string $item,
        public string $name,
        public string $site,
        public string $unit,
        public int $decimals,
        public string $qty,
        public string $issued,
        public string $open,
        public string $due,
        public bool $approved,
        public bool $isPlanned,
        public ?string $expected,
        public int $lateDays,
        public ?Strip $strip,
        public array $from,
        public string $stock,
        public string $ordered,
        public string $proposed,
        public string $estimated,
        public string $committed,
        public string $actual,
    ) {
    }
}
