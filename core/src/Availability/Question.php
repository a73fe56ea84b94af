<?php

declare(strict_types=1);

namespace Yposta\Core\Availability;

use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\Planning;
use Yposta\Core\Plan\DemandKind;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeSalesLine;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\MoveOrder;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Study\ResizeOrder;

/**
 * What is asked to be complete: an open order, a sales line, or so much of an item at a site, which is asked as an order for it that
 * does not exist yet. Another date or quantity is a change, and is answered by planning it.
 */
final readonly class Question
{
    private function __construct(private string $kind, private string $name, private string $line, private string $item, private string $site)
    {
    }

    public static function order(string $code): self
    {
        return new self('order', $code, '', '', '');
    }

    public static function salesLine(string $order, string $line): self
    {
        return new self('sales', $order, $line, '', '');
    }

    public static function item(string $item, string $site): self
    {
        return new self('item', '', '', $item, $site);
    }

    /**
     * The quantity and the date as they stand; of an item nothing stands.
     *
     * @return array{qty: int|null, due: int|null, item: string, site: string} millionths, day number
     *
     * @throws DoesNotFit when there is no such order, line or item
     */
    public function stands(Network $network): array
    {
        if ($this->kind === 'order') {
            $order = $network->orders[$this->name] ?? throw new DoesNotFit("there is no open order {$this->name}");

            return ['qty' => $order->qty, 'due' => $order->due, 'item' => $order->item, 'site' => $order->site];
        }
        if ($this->kind === 'item') {
            isset($network->items[$this->item], $network->sites[$this->site]) || throw new DoesNotFit("there is no {$this->item} at {$this->site}");

            return ['qty' => null, 'due' => null, 'item' => $this->item, 'site' => $this->site];
        }
        foreach ($network->sales as $line) {
            if ($line->order === $this->name && $line->line === $this->line) {
                return ['qty' => $line->qty, 'due' => $line->due, 'item' => $line->item, 'site' => $line->site];
            }
        }
        throw new DoesNotFit("there is no sales line {$this->name}/{$this->line}");
    }

    /**
     * What makes the quantity and the date what is asked.
     *
     * @param  int  $qty  millionths
     * @param  int  $due  day number
     * @return list<Change>
     *
     * @throws DoesNotFit
     */
    public function changes(Network $network, int $qty, int $due): array
    {
        $stands = $this->stands($network);
        if ($this->kind === 'item') {
            $planning = $network->planning[Network::key($this->item, $this->site)] ?? Planning::defaults($this->item, $this->site);
            $from = $planning->supply === OrderKind::Transfer ? $planning->fromSite : null;

            return [new PutOrder($this->code($network), $planning->supply->value, $this->item, $this->site, $qty, $due, null, $planning->supply === OrderKind::Buy ? $this->supplier($network, $planning) : null, $from)];
        }
        if ($this->kind === 'sales') {
            return $stands['qty'] === $qty && $stands['due'] === $due ? [] : [new ChangeSalesLine($this->name, $this->line, $stands['qty'] === $qty ? null : $qty, $stands['due'] === $due ? null : $due)];
        }

        return [...($stands['qty'] === $qty ? [] : [new ResizeOrder($this->name, $qty)]), ...($stands['due'] === $due ? [] : [new MoveOrder($this->name, $due)])];
    }

    /** @throws DoesNotFit when the run leaves it out */
    public function answer(Plan $plan, Network $before): Answer
    {
        $tree = new StructureTree($plan);
        if ($this->kind === 'sales') {
            foreach ($plan->demands as $demands) {
                foreach ($demands as $demand) {
                    if ($demand->kind === DemandKind::Sales && $demand->name === $this->name && $demand->line === $this->line) {
                        return $tree->ofDemand($demand);
                    }
                }
            }
            throw new DoesNotFit("{$this->name}/{$this->line} is shipped, or lies after the horizon");
        }
        $code = $this->kind === 'order' ? $this->name : $this->code($before);
        foreach ($plan->supplies as $supplies) {
            foreach ($supplies as $supply) {
                if ($supply->reference() === "order:{$code}") {
                    return $tree->ofOrder($supply);
                }
            }
        }
        throw new DoesNotFit($this->kind === 'order' ? "{$code} is not part of the run" : "{$this->item} is not planned at {$this->site}");
    }

    private function code(Network $network): string
    {
        for ($number = 1; isset($network->orders["new:{$number}"]); $number++);

        return "new:{$number}";
    }

    /** The point's, else the lowest rank, then name, that offers the item. */
    private function supplier(Network $network, Planning $planning): ?string
    {
        $best = null;
        foreach ($planning->supplier === null ? $network->supplierItems : [] as $offer) {
            if ($offer->item === $this->item && ($best === null || [$offer->rank, $offer->supplier] < [$best->rank, $best->supplier])) {
                $best = $offer;
            }
        }

        return $planning->supplier ?? $best?->supplier;
    }
}
