<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Capacity\Routings;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\SupplyKind;

/** How much a plan is about, where counts alone would read the same: quantities, values and hours. */
final readonly class Amounts
{
    private const HOUR = 60;

    /**
     * @param  array<string, int>  $needed  what customers and forecasts need, millionths by unit
     * @param  int  $neededValue  the same at unit cost, in whole units of the currency
     * @param  int  $buyValue  the proposals to buy, at unit cost
     * @param  int  $workHours  that the open orders and proposals to make hold their centres, times their crew; whole hours
     */
    private function __construct(public array $needed, public int $neededValue, public int $buyValue, public int $workHours)
    {
    }

    public static function of(Plan $plan): self
    {
        $points = $plan->structure->points;
        $needed = [];
        $neededValue = $buyValue = $minutes = 0;
        foreach ($plan->demands as $index => $demands) {
            $item = $points[$index]->item;
            foreach ($demands as $demand) {
                if ($demand->kind->isOrdered() || $demand->kind === DemandKind::Forecast) {
                    $needed[$item->unit] = Quantity::capped(($needed[$item->unit] ?? 0) + $demand->qty);
                    $neededValue = Quantity::capped($neededValue + Summary::value($demand->qty, $item->unitCost));
                }
            }
        }
        ksort($needed);
        $routings = new Routings($plan->network);
        foreach ($plan->supplies as $index => $supplies) {
            $item = $points[$index]->item;
            foreach ($supplies as $supply) {
                if ($supply->type === OrderKind::Make && $supply->kind !== SupplyKind::Stock) {
                    $work = $supply->isProposal()
                        ? $routings->ofProposal($item->code, $points[$index]->site->code, $supply->qty)
                        : $routings->ofOrder($plan->network->orders[$supply->name]);
                    foreach ($work as $operation) {
                        $minutes = Quantity::capped($minutes + $operation->crew * $operation->minutes);
                    }
                } elseif ($supply->type === OrderKind::Buy && $supply->isProposal()) {
                    $buyValue = Quantity::capped($buyValue + Summary::value($supply->qty, $item->unitCost));
                }
            }
        }

        return new self($needed, $neededValue, $buyValue, intdiv($minutes, self::HOUR) + ($minutes % self::HOUR > 0 ? 1 : 0));
    }

    /** @return array<string, int> the totals by name; the quantities are by unit and stand apart */
    public function figures(): array
    {
        return ['neededValue' => $this->neededValue, 'buyValue' => $this->buyValue, 'workHours' => $this->workHours];
    }
}
