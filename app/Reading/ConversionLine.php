<?php

declare(strict_types=1);

namespace App\Reading;

use App\Support\Refused;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\InvalidDay;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\SupplyAlternative;
use Yposta\Core\Network\SupplyWays;
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
     * @param  string|null  $rest  ISO date on which the rest of it is wanted, where less is ordered now; null to leave that to the next run
     * @param  string|null  $way  another way to get it, see {@see SupplyAlternative::key()}
     */
    public function __construct(
        public int $number,
        public ?string $qty = null,
        public ?string $due = null,
        public ?string $way = null,
        public ?string $rest = null,
    ) {
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
        return $this->due === null ? null : $this->day($this->due, $point, $planDate);
    }

    /**
     * What is ordered beside it for a later day, in millionths, and the day number of that; null where nothing is.
     *
     * @return array{int, int}|null
     *
     * @throws Refused when nothing is left for that day
     */
    public function rest(Supply $proposal, StoredPoint $point, int $planDate): ?array
    {
        if ($this->rest === null) {
            return null;
        }
        $left = $proposal->qty - $this->quantity($proposal, $point);
        $left > 0 || throw Refused::because('convert.no_rest', ['item' => $point->item], 'quantity');

        return [$left, $this->day($this->rest, $point, $planDate)];
    }

    /** @throws Refused when it is none, or has passed */
    private function day(string $text, StoredPoint $point, int $planDate): int
    {
        try {
            $due = Day::parse(trim($text));
        } catch (InvalidDay $trouble) {
            throw Refused::because('convert.date', ['item' => $point->item, 'trouble' => $trouble->phrase()], 'date');
        }

        return $due >= $planDate ? $due : throw Refused::because('convert.date_passed', ['item' => $point->item], 'date');
    }

    /**
     * The way in which it is supplied; null for the one that is proposed.
     *
     * @param  bool  $mayBeOpen  whether somebody else may find the supplier
     *
     * @throws Refused
     */
    public function suppliedBy(Supply $proposal, StoredPoint $point, SupplyWays $ways, bool $mayBeOpen = false): ?SupplyAlternative
    {
        if ($this->way !== null) {
            $way = $ways->find($point->item, $point->site, $this->way)
                ?? throw Refused::because('convert.unknown_way', ['item' => $point->item], 'way', ['number' => $this->number]);
            $isAsProposed = [$way->supply, $way->supplier, $way->fromSite] === [$proposal->type, $proposal->supplier, $proposal->fromSite];

            return $isAsProposed ? null : $way;
        }
        if ($proposal->type === OrderKind::Buy && $proposal->supplier === null && ! $mayBeOpen) {
            throw Refused::because('convert.no_supplier', ['item' => $point->item], 'supplier', ['number' => $this->number]);
        }

        return null;
    }
}
