<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Network\Stock;

/** Reads what changes daily: stock, forecasts, sales and open orders. */
final class Transactions
{
    private const FINEST = 6;

    /** @var list<Stock> */
    public array $stock = [];

    /** @var list<ForecastBucket> */
    public array $forecasts = [];

    /** @var list<SalesLine> */
    public array $sales = [];

    /** @var array<string, OpenOrder> */
    public array $orders = [];

    /** @var list<OrderComponent> */
    public array $components = [];

    /** @var list<Allocation> */
    public array $allocations = [];

    /** @var array<string, true>|null by order and line */
    private ?array $salesLines = null;

    /** @var array<string, true>|null by name */
    private ?array $forecastNames = null;

    public function __construct(private readonly Files $files, private readonly MasterData $master)
    {
    }

    public function read(): void
    {
        $this->stock();
        $this->forecasts();
        $this->sales();
        $this->orders();
        $this->components();
        $this->allocations();
    }

    private function stock(): void
    {
        foreach ($this->files->rows('stock.csv') as $row) {
            $item = $row->reference('item', $this->master->items, 'item');
            $stock = new Stock($item, $row->reference('site', $this->master->sites, 'site'), $row->quantity('qty', $this->master->decimals($item)));
            $this->files->unique('stock.csv', $row, [$stock->item, $stock->site]);
            $row->sound() && $this->stock[] = $stock;
        }
    }

    private function forecasts(): void
    {
        foreach ($this->files->rows('forecasts.csv') as $row) {
            $item = $row->reference('item', $this->master->items, 'item');
            $bucket = new ForecastBucket(
                $row->code('forecast'), $item, $row->reference('site', $this->master->sites, 'site'), $row->choice('bucket', BucketSize::Week, false),
                $row->day('start'), $row->quantity('qty', $this->master->decimals($item)),
            );
            if ($row->sound() && $bucket->bucket->startOf($bucket->start) !== $bucket->start) {
                $row->wrong('start', Day::format($bucket->start)." does not begin a {$bucket->bucket->value}", 'the '.$bucket->bucket->value.' begins on '.Day::format($bucket->bucket->startOf($bucket->start)));
            }
            $this->files->unique('forecasts.csv', $row, [$bucket->forecast, $bucket->item, $bucket->site, Day::format($bucket->start)]);
            $row->sound() && $this->forecasts[] = $bucket;
        }
    }

    private function sales(): void
    {
        foreach ($this->files->rows('sales.csv') as $row) {
            $item = $row->reference('item', $this->master->items, 'item');
            $decimals = $this->master->decimals($item);
            $line = new SalesLine(
                $row->code('order'), $row->code('line'), $item, $row->reference('site', $this->master->sites, 'site'), $row->quantity('qty', $decimals),
                $row->quantity('shipped', $decimals, 0), $row->day('due'), $row->text('customer'), $row->whole('priority', 1, 9, 5),
            );
            $this->files->unique('sales.csv', $row, [$line->order, $line->line]);
            $row->sound() && $this->sales[] = $line;
        }
    }

    private function orders(): void
    {
        foreach ($this->files->rows('orders.csv') as $row) {
            $item = $row->reference('item', $this->master->items, 'item');
            $decimals = $this->master->decimals($item);
            $order = new OpenOrder(
                $row->code('order'), $row->choice('kind', OrderKind::Buy, false), $row->choice('status', OrderStatus::Firm, false), $item,
                $row->reference('site', $this->master->sites, 'site'), $row->optionalReference('from_site', $this->master->sites, 'site'),
                $row->optionalReference('supplier', $this->master->suppliers, 'supplier'), $row->quantity('qty', $decimals), $row->quantity('received', $decimals, 0),
                $row->optionalDay('start'), $row->day('due'), $row->flag('pinned'), $row->whole('priority', 1, 9, 5),
            );
            $this->files->unique('orders.csv', $row, [$order->code]);
            if ($order->kind === OrderKind::Transfer && $order->fromSite === null) {
                $row->wrong('from_site', 'is empty', 'a transfer needs the site it comes from');
            } elseif ($order->kind === OrderKind::Transfer && $order->fromSite === $order->site) {
                $row->wrong('from_site', 'the order would move material to where it is', 'name another site');
            }
            if ($order->start !== null && $order->start > $order->due) {
                $row->warn('start', 'the order starts after its due date');
            }
            $this->orders[$order->code] = $order;
        }
    }

    private function components(): void
    {
        foreach ($this->files->rows('order_components.csv') as $row) {
            $item = $row->reference('item', $this->master->items, 'item');
            $decimals = $this->master->decimals($item);
            $component = new OrderComponent(
                $row->reference('order', $this->orders, 'order'), $row->code('line'), $item, $row->quantity('qty', $decimals), $row->quantity('issued', $decimals, 0), $row->optionalDay('need'),
            );
            $this->files->unique('order_components.csv', $row, [$component->order, $component->line]);
            $row->sound() && $this->components[] = $component;
        }
    }

    private function allocations(): void
    {
        foreach ($this->files->rows('allocations.csv') as $row) {
            $allocation = new Allocation($row->code('demand'), $row->code('supply'), $row->quantity('qty', self::FINEST));
            if (preg_match('/^(stock|order):/', $allocation->supply) !== 1) {
                $row->wrong('supply', "'{$allocation->supply}' is neither stock nor an order", 'write stock:ITEM@SITE or order:ORDER');
            } elseif (! $this->exists($allocation->supply)) {
                $row->wrong('supply', "there is no '{$allocation->supply}' in the bundle", 'name stock or an order of the bundle');
            }
            if (preg_match('/^(sales|forecast|part|out|safety):/', $allocation->demand) !== 1 || preg_match('/^(part|out):proposal:/', $allocation->demand) === 1) {
                $row->wrong('demand', "'{$allocation->demand}' is no demand that can be held for", 'write a reference like sales:ORDER/LINE');
            } elseif (! $this->exists($allocation->demand)) {
                $row->wrong('demand', "there is no '{$allocation->demand}' in the bundle", 'name a demand of the bundle');
            }
            $row->sound() && $this->allocations[] = $allocation;
        }
    }

    /** Whether the bundle has what a reference names. Lines and days that only a run knows are not looked at. */
    private function exists(string $reference): bool
    {
        [$kind, $name] = explode(':', $reference, 2);
        $this->salesLines ??= array_fill_keys(array_map(fn (SalesLine $line) => "{$line->order}/{$line->line}", $this->sales), true);
        $this->forecastNames ??= array_fill_keys(array_map(fn (ForecastBucket $bucket) => $bucket->forecast, $this->forecasts), true);

        return match ($kind) {
            'sales' => isset($this->salesLines[$name]),
            'order', 'out' => isset($this->orders[$name]),
            'part' => $this->splits($name, '/', $this->orders),
            'forecast' => $this->splits($name, '/', $this->forecastNames),
            default => $this->splits($name, '@', $this->master->items, $this->master->sites),
        };
    }

    /**
     * Whether a name can be parted at a separator so that the parts are known; codes may hold the separator themselves.
     *
     * @param  array<string, mixed>  $first
     * @param  array<string, mixed>|null  $second  null when any second part will do
     */
    private function splits(string $name, string $separator, array $first, ?array $second = null): bool
    {
        for ($at = strpos($name, $separator); $at !== false; $at = strpos($name, $separator, $at + 1)) {
            if (isset($first[substr($name, 0, $at)]) && ($second === null || isset($second[substr($name, $at + 1)]))) {
                return true;
            }
        }

        return false;
    }
}
