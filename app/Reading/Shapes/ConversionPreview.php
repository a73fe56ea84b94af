<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What converting would make, before anything is made. */
final readonly class ConversionPreview
{
    /**
     * @param  list<OrderToMake>  $orders  of the picked lines
     * @param  list<LineToConvert>  $lines  picked or only changed
     * @param  string  $message  the orders, counted
     * @param  string  $worth  of what is bought, by currency; empty where nothing is
     */
    public function __construct(public array $orders, public array $lines, public string $message, public string $worth)
    {
    }
}
