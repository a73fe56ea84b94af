<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What a proposal is worth as it was changed, or why it cannot be converted so. */
final readonly class LineToConvert
{
    /**
     * @param  string|null  $value  in whole units of the currency; null for what is not bought
     * @param  string|null  $instead  where it comes from, when not as proposed
     */
    public function __construct(
        public int $number,
        public ?string $value,
        public string $currency,
        public ?string $instead,
        public ?string $trouble,
    ) {
    }
}
