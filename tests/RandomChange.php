<?php

declare(strict_types=1);

namespace Tests;

use Random\Randomizer;
use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\JobHeading;
use Yposta\Core\Network\JobLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Network\Stock;
use Yposta\Core\Reference\Reference;

/** Changes one fact of a network at random: stock, demand, orders, components, allocations, planning data. */
final class RandomChange
{
    /** What was changed last. */
    public string $last = '';

    public function __construct(private readonly Randomizer $random)
    {
    }

    public function to(Network $network): Network
    {
        $kinds = [
            'stock', 'sales', 'newSales', 'fewerSales', 'forecast', 'moveOrder', 'dropOrder', 'newOrder', 'component',
            'allocation', 'planning', 'job', 'jobLine', 'jobLine',
        ];
        $this->last = $kinds[$this->between(0, count($kinds) - 1)];

        return $this->{$this->last}($network);
    }

    private function stock(Network $network): Network
    {
        $point = $this->point($network);
        $stock = array_values(array_filter($network->stock, fn (Stock $row) => [$row->item, $row->site] !== $point));

        return $this->between(0, 3) === 0
            ? $network->with(stock: $stock)
            : $network->with(stock: [...$stock, Stock::of(item: $point[0], site: $point[1], qty: $this->between(0, 300) * 1_000_000)]);
    }

    private function sales(Network $network): Network
    {
        $sales = $network->sales;
        $place = $this->between(0, count($sales) - 1);
        $line = $sales[$place];
        $sales[$place] = $line->with(
            qty: $this->between(1, 90) * 1_000_000,
            shipped: 0,
            due: $line->due + $this->between(-40, 40),
            priority: $this->between(1, 9),
        );

        return $network->with(sales: $sales);
    }

    private function newSales(Network $network): Network
    {
        $like = $network->sales[$this->between(0, count($network->sales) - 1)];
        $line = $like->with(
            line: (string) $this->between(1000, 9_000_000),
            qty: $this->between(1, 90) * 1_000_000,
            shipped: 0,
            due: $like->due + $this->between(-20, 20),
            customer: '',
            priority: 5,
        );

        return $network->with(sales: [...$network->sales, $line]);
    }

    private function fewerSales(Network $network): Network
    {
        $sales = $network->sales;
        array_splice($sales, $this->between(0, count($sales) - 2), 1);

        return $network->with(sales: $sales);
    }

    /** A job there was not, with a line, or another priority of one. */
    private function job(Network $network): Network
    {
        $code = 'J'.$this->between(0, 2);
        $job = JobHeading::of(code: $code, name: $code, priority: $this->between(1, 9));
        $isNew = ! isset($network->jobs[$code]);
        $network = $network->with(jobs: [...$network->jobs, $code => $job]);

        return $isNew ? $network->with(jobLines: [...$network->jobLines, $this->newJobLine($network, $code)]) : $network;
    }

    /** A line of a job more, less, approved or not, or otherwise. */
    private function jobLine(Network $network): Network
    {
        $lines = $network->jobLines;
        if ($lines === []) {
            return $this->job($network);
        }
        $place = $this->between(0, count($lines) - 1);
        $line = $lines[$place];
        match ($this->between(0, 4)) {
            0 => $lines[] = $this->newJobLine($network, $line->job),
            1 => array_splice($lines, $place, 1),
            2 => $lines[$place] = $line->with(approved: ! $line->approved, issued: 0),
            3 => $lines[$place] = $line->with(issued: min($line->qty, $line->issued + 1_000_000)),
            default => $lines[$place] = $line->with(
                qty: $this->between(2, 90) * 1_000_000, issued: 0, due: $line->due + $this->between(-20, 20),
            ),
        };

        return $network->with(jobLines: $lines);
    }

    private function newJobLine(Network $network, string $job): JobLine
    {
        $like = $network->sales[$this->between(0, count($network->sales) - 1)];

        return JobLine::of(
            job: $job, line: (string) $this->between(1000, 9_000_000), item: $like->item, site: $like->site,
            qty: $this->between(2, 90) * 1_000_000, due: $like->due + $this->between(-20, 20), approved: $this->between(0, 3) > 0,
        );
    }

    private function forecast(Network $network): Network
    {
        $forecasts = $network->forecasts;
        $place = $this->between(0, count($forecasts) - 1);
        $old = $forecasts[$place];
        $forecasts[$place] = $old->with(qty: $this->between(0, 90) * 1_000_000);

        return $network->with(forecasts: $forecasts);
    }

    private function moveOrder(Network $network): Network
    {
        $old = $this->order($network);
        $due = $old->due + $this->between(-30, 60);
        $orders = $network->orders;
        $orders[$old->code] = $old->with(
            qty: $this->between(1, 200) * 1_000_000,
            received: 0,
            start: null,
            due: $due,
            pinned: $this->between(0, 4) === 0,
            priority: $this->between(1, 9),
        );

        return $network->with(orders: $orders);
    }

    private function dropOrder(Network $network): Network
    {
        $code = $this->order($network)->code;
        $orders = $network->orders;
        unset($orders[$code]);

        return $network->with(
            orders: $orders,
            components: array_values(array_filter($network->components, fn (OrderComponent $row) => $row->order !== $code)),
        );
    }

    private function newOrder(Network $network): Network
    {
        $planning = $network->planning[array_keys($network->planning)[$this->between(0, count($network->planning) - 1)]];
        $orders = $network->orders;
        $code = 'R'.$this->between(0, 99).'-x'.count($orders);
        $start = $network->sales[0]->due;
        $orders[$code] = OpenOrder::of(
            code: $code, kind: $planning->supply, status: OrderStatus::Firm, item: $planning->item, site: $planning->site,
            fromSite: $planning->supply === OrderKind::Transfer ? $planning->fromSite : null,
            qty: $this->between(1, 90) * 1_000_000, due: $start + $this->between(-10, 60), priority: $this->between(1, 9),
        );

        return $network->with(orders: $orders);
    }

    private function component(Network $network): Network
    {
        if ($network->components === []) {
            return $this->stock($network);
        }
        $components = $network->components;
        $place = $this->between(0, count($components) - 1);
        $old = $components[$place];
        $components[$place] = $old->with(qty: $this->between(0, 90) * 1_000_000, issued: 0);

        return $network->with(components: $components);
    }

    private function allocation(Network $network): Network
    {
        $line = $network->sales[$this->between(0, count($network->sales) - 1)];

        return $network->with(allocations: [
            ...$network->allocations,
            Allocation::of(
                demand: (string) $line->reference(),
                supply: (string) Reference::stock($line->item, $line->site),
                qty: $this->between(1, 40) * 1_000_000,
            ),
        ]);
    }

    private function planning(Network $network): Network
    {
        $planning = $network->planning;
        $key = array_keys($planning)[$this->between(0, count($planning) - 1)];
        $planning[$key] = $planning[$key]->with(safetyStock: $this->between(0, 30) * 1_000_000, leadDays: $this->between(1, 9));

        return $network->with(planning: $planning);
    }

    /** @return array{string, string} item and site */
    private function point(Network $network): array
    {
        $planning = $network->planning[array_keys($network->planning)[$this->between(0, count($network->planning) - 1)]];

        return [$planning->item, $planning->site];
    }

    private function order(Network $network): OpenOrder
    {
        return $network->orders[array_keys($network->orders)[$this->between(0, count($network->orders) - 1)]];
    }

    private function between(int $least, int $most): int
    {
        return $this->random->getInt($least, $most);
    }
}
