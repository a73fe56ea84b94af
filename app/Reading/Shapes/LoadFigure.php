<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** How full a centre or a group of them is in a period: minutes, and what they are for. What is left is for stock rules and lot sizes. */
final readonly class LoadFigure
{
    /** @param  int|null  $percent  null where there is load and nothing is open */
    public function __construct(
        public int $capacity,
        public int $load,
        public int $sales,
        public int $forecast,
        public ?int $percent,
        public bool $over,
    ) {
    }

    public static function of(int $capacity, float $load, float $sales, float $forecast): self
    {
        return new self(
            capacity: $capacity,
            load: (int) round($load),
            sales: (int) round($sales),
            forecast: (int) round($forecast),
            percent: self::percentOf($capacity, $load),
            over: $load > $capacity + 0.5,
        );
    }

    /** How full it is; null where there is something to do and it can do nothing. */
    public static function percentOf(float $capacity, float $load): ?int
    {
        return $capacity > 0 ? (int) round(100 * $load / $capacity) : ($load > 0 ? null : 0);
    }
}
