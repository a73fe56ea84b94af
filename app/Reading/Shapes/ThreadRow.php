<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/**
 * A supply on the time axis of a thread, below what it serves. `kind` is line, stock, order, proposal or gap; `way` is make, buy, transfer
 * or empty. Dates are ISO dates; `wanted` is when what it serves needs it.
 */
final readonly class ThreadRow
{
    /** @param  list<ThreadOperation>  $operations  where the shop has them, by number; none where it is not scheduled */
    public function __construct(
        public int $id,
        public int $parent,
        public int $level,
        public ThreadKind $kind,
        public string $way,
        public string $label,
        public string $note,
        public string $item,
        public string $site,
        public string $qty,
        public string $unit,
        public ?string $from,
        public string $to,
        public ?string $wanted,
        public int $lateDays,
        public bool $holdUp,
        public bool $repeated,
        public ?string $href,
        public ?string $reference,
        public ?int $need,
        public array $operations = [],
    ) {
    }
}
