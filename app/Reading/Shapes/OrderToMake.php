<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Network\OrderKind;

/** An order that picked proposals would become. */
final readonly class OrderToMake
{
    /**
     * @param  list<string>  $lines  quantities and items
     * @param  string|null  $value  of what is bought, in whole units of the currency
     */
    public function __construct(
        public OrderKind $kind,
        public string $title,
        public array $lines,
        public ?string $value,
        public string $currency,
    ) {
    }
}
