<?php

declare(strict_types=1);

namespace App\Reading;

use App\Support\Refused;
use Closure;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\InvalidDay;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Quantity\InvalidQuantity;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\Supply;

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

    /**
     * In millionths.
     *
     * @throws Refused
     */
    public function quantity(Supply $proposal, StoredPoint $point): int
    {
        if ($this->qty === null) {
            return $proposal->qty;
        }
        try {
            $qty = Quantity::parse(trim($this->qty));
        } catch (InvalidQuantity $trouble) {
            throw Refused::because('convert.quantity', ['item' => $point->item, 'trouble' => $trouble->phrase()], 'quantity');
        }
        if ($qty <= 0) {
            throw Refused::because('convert.quantity_above', ['item' => $point->item], 'quantity');
        }
        if (! Quantity::fits($qty, $point->decimals)) {
            throw Refused::because('convert.decimals', ['item' => $point->item, 'decimals' => $point->decimals], 'quantity');
        }

        return $qty;
    }

    /**
     * The day number of the date that was chosen; null for the one that conversion gives.
     *
     * @throws Refused
     */
    public function dueDay(StoredPoint $point, int $planDate): ?int
    {
        if ($this->due === null) {
            return null;
        }
        try {
            $due = Day::parse(trim($this->due));
        } catch (InvalidDay $trouble) {
            throw Refused::because('convert.date', ['item' => $point->item, 'trouble' => $trouble->phrase()], 'date');
        }

        return $due >= $planDate ? $due : throw Refused::because('convert.date_passed', ['item' => $point->item], 'date');
    }

    /**
     * Whom it is bought from; null for what is not bought.
     *
     * @param  Closure(string): bool  $isKnown
     * @param  bool  $mayBeOpen  whether somebody else may find the supplier
     *
     * @throws Refused
     */
    public function from(Supply $proposal, StoredPoint $point, Closure $isKnown, bool $mayBeOpen = false): ?string
    {
        if ($proposal->type !== OrderKind::Buy) {
            return null;
        }
        $supplier = $this->supplier ?? $proposal->supplier;

        return match (true) {
            $supplier === null && $mayBeOpen => null,
            $supplier === null => throw Refused::because(
                'convert.no_supplier', ['item' => $point->item], 'supplier', ['number' => $this->number],
            ),
            ! $isKnown($supplier) => throw Refused::because(
                'convert.unknown_supplier', ['supplier' => $supplier], 'supplier', ['number' => $this->number],
            ),
            default => $supplier,
        };
    }
}
