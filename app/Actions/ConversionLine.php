<?php

declare(strict_types=1);

namespace App\Actions;

/** A proposal that someone wants as an order, with what they changed. Null leaves what was proposed. */
final readonly class ConversionLine
{
    /**
     * @param  int  $number  of the proposal in its run
     * @param  string|null  $qty  decimal number
     * @param  string|null  $due  ISO date
     */
    public function __construct(public int $number, public ?string $qty = null, public ?string $due = null, public ?string $supplier = null)
    {
    }
}
