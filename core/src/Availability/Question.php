<?php

declare(strict_types=1);

namespace Yposta\Core\Availability;

use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\ReferenceLookup;
use Yposta\Core\Network\Sourcing;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\SupplyKind;
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
    private function __construct(
        private string $kind,
        private string $name,
        private string $line,
        private string $item,
        private string $site,
    ) {
    }

    /** What a reference asks for: an order, a sales line, or by its stock an item at a site; null where it is of another kind. */
    public static function of(Reference $reference, Network $network): ?self
    {
        $lookup = new ReferenceLookup($network);
        if ($reference->kind === ReferenceKind::Sales) {
            $line = $lookup->salesLine($reference);

            return $line === null ? self::salesLine($reference->name, '') : self::salesLine($line->order, $line->line);
        }
        $point = $lookup->point($reference) ?? $reference->parts()[0] ?? null;

        return match (true) {
            $reference->kind === ReferenceKind::Order => self::order($reference->name),
            $reference->kind === ReferenceKind::Stock && $point !== null => self::item($point[0], $point[1]),
            default => null,
        };
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
            $order = $network->orders[$this->name] ?? throw DoesNotFit::because('no_order', ['order' => $this->name]);

            return ['qty' => $order->qty, 'due' => $order->due, 'item' => $order->item, 'site' => $order->site];
        }
        if ($this->kind === 'item') {
            isset($network->items[$this->item], $network->sites[$this->site])
                || throw DoesNotFit::because('no_point', ['item' => $this->item, 'site' => $this->site]);

            return ['qty' => null, 'due' => null, 'item' => $this->item, 'site' => $this->site];
        }
        foreach ($network->sales as $line) {
            if ($line->order === $this->name && $line->line === $this->line) {
                return ['qty' => $line->qty, 'due' => $line->due, 'item' => $line->item, 'site' => $line->site];
            }
        }
        throw DoesNotFit::because('no_sales_line', ['line' => $this->reference()->name]);
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

            return [new PutOrder(OpenOrder::of(
                code: $this->code($network), kind: $planning->supply, status: OrderStatus::Firm, item: $this->item, site: $this->site,
                fromSite: $planning->supply === OrderKind::Transfer ? $planning->fromSite : null,
                supplier: (new Sourcing($network->supplierItems))->supplierOf($planning), qty: $qty, due: $due,
            ))];
        }
        if ($this->kind === 'sales') {
            return $stands['qty'] === $qty && $stands['due'] === $due
                ? []
                : [new ChangeSalesLine(
                    $this->name, $this->line, $stands['qty'] === $qty ? null : $qty, $stands['due'] === $due ? null : $due,
                )];
        }

        return [
            ...($stands['qty'] === $qty ? [] : [new ResizeOrder($this->name, $qty)]),
            ...($stands['due'] === $due ? [] : [new MoveOrder($this->name, $due)]),
        ];
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
            throw DoesNotFit::because('shipped_or_after', ['line' => $this->reference()->name]);
        }
        $code = $this->kind === 'order' ? $this->name : $this->code($before);
        foreach ($plan->supplies as $supplies) {
            foreach ($supplies as $supply) {
                if ($supply->kind === SupplyKind::Order && $supply->name === $code) {
                    return $tree->ofOrder($supply);
                }
            }
        }
        throw $this->kind === 'order'
            ? DoesNotFit::because('not_in_run', ['order' => $code])
            : DoesNotFit::because('not_planned', ['item' => $this->item, 'site' => $this->site]);
    }

    private function reference(): Reference
    {
        return $this->kind === 'sales' ? Reference::sales($this->name, $this->line) : Reference::order($this->name);
    }

    private function code(Network $network): string
    {
        return NewOrderCode::free($network->orders)[0];
    }
}
