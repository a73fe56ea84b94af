<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What a supplier was told of an order, or is to be told. */
final readonly class OrderVersionRow
{
    /** @param  string|null  $sentAt  ISO instant; null where it has not been sent */
    public function __construct(
        public int $number,
        public string $madeAt,
        public ?string $sentAt,
        public string $by,
        public ?string $letter,
        public ?int $letterId,
        public string $pdf,
    ) {
    }
}
