<?php

declare(strict_types=1);

namespace Yposta\Core\NetChange;

use Yposta\Core\Demand\DemandCollector;
use Yposta\Core\Netting\Explosion;
use Yposta\Core\Netting\Netting;
use Yposta\Core\Netting\SupplyCollector;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\JobLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Planner;
use Yposta\Core\Projection\Projection;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Message;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Run\Workspace;
use Yposta\Core\Scheduling\ShopPlan;
use Yposta\Core\Structure\LoopFound;
use Yposta\Core\Structure\Point;

/**
 * Plans a network that differs in a few facts from one that has been planned: only the points that the difference can reach are netted
 * and projected again. The result is that of a whole run.
 *
 * It goes on in the elements of the plan before, which must not be used any more. Where master data differ, or the levels of the
 * structure might, it makes a whole run.
 */
final class NetChange
{
    private readonly Workspace $work;

    /** @var array<int, true> points to be netted again */
    private array $toNet = [];

    /** @var array<int, true> points to be projected again */
    private array $toProject = [];

    /** @var array<int, Demand> demands that are gone, by object id */
    private array $gone = [];

    /** @var array<int, array<int, int|null>> by point and object id, when demands that stay were expected before */
    private array $expected = [];

    private function __construct(private readonly Plan $before, private readonly Network $after)
    {
        $this->work = $before->work;
    }

    /**
     * @param  bool  $numbers  whether proposals get their numbers; else they have them when it is planned on with them
     *
     * @throws QuantityOutOfRange|LoopFound then the plan before is of no use any more either
     */
    public static function plan(Plan $before, Network $after, bool $numbers = true): Plan
    {
        $difference = NetworkDifference::between($before->network, $after);
        $renewed = $before->work->planned->points(); // the schedule may have them elsewhere
        $before->work->planned->restore();
        $change = new self($before, $after);
        if ($difference->structural || ! $change->fits($difference)) {
            return (new Planner($before->work->limits))->plan($after, $before->options);
        }

        $plan = $change->run($difference, $renewed);
        $numbers && $plan->work->number();

        return $plan;
    }

    /** @param  array<int, true>  $renewed  points that the schedule before had changed */
    private function run(NetworkDifference $difference, array $renewed): Plan
    {
        $this->replaceStock($difference->stock);
        $this->replaceOrders($difference->orders);
        $this->replaceDemand($difference->demand);
        $this->hold($difference->held);
        $this->net();
        $this->project();

        return ShopPlan::of($this->after, $this->work, $this->toProject + $renewed);
    }

    /** Whether all that differs stands at points that are there, and leaves the levels of the structure as they are. */
    private function fits(NetworkDifference $difference): bool
    {
        $indexes = $this->work->structure->indexes;
        foreach ([...$difference->stock, ...$difference->demand] as $key) {
            if (! isset($indexes[$key])) {
                return false;
            }
        }
        foreach ($difference->orders as $code) {
            foreach ([$this->before->network, $this->after] as $network) {
                if (isset($network->orders[$code]) && ! $this->orderFits($network, $code)) {
                    return false;
                }
            }
            if (! $this->work->orders->admit($code, strcmp(...))) {
                return false;
            }
        }
        foreach ($difference->lines as $name) {
            if (! $this->work->sales->admit($name, DemandCollector::comparePlaces(...))) {
                return false;
            }
        }
        foreach ($difference->jobLines as $name) {
            if (! $this->work->jobs->admit($name, DemandCollector::comparePlaces(...))) {
                return false;
            }
        }

        return true;
    }

    /** Whether the edges that a production order brings are those of its item's structure too. */
    private function orderFits(Network $network, string $code): bool
    {
        $order = $network->orders[$code];
        $structure = $this->work->structure;
        $point = $structure->find($order->item, $order->site);
        if ($point === null || ($order->fromSite !== null && $structure->find($order->item, $order->fromSite) === null)) {
            return false;
        }
        $known = [];
        foreach ($structure->components[$point->index] ?? [] as $line) {
            $known[$line->point] = true;
        }
        if ($order->kind === OrderKind::Make && $point->supply() !== OrderKind::Make) {
            return false;
        }
        foreach (self::rowsOf($network, [$code])[$code] ?? [] as $row) {
            $component = $structure->find($row->item, $order->site);
            if ($component === null || ($order->kind === OrderKind::Make && ! isset($known[$component->index]))) {
                return false;
            }
        }

        return true;
    }

    /** @param  list<string>  $keys */
    private function replaceStock(array $keys): void
    {
        if ($keys === []) {
            return;
        }
        $collector = new SupplyCollector($this->after);
        foreach ($keys as $key) {
            $index = $this->work->structure->indexes[$key];
            $this->toNet[$index] = true;
            $this->work->supplies[$index] = array_values(array_filter(
                $this->work->supplies[$index] ?? [],
                fn (Supply $supply) => $supply->kind !== SupplyKind::Stock,
            ));
        }
        $wanted = array_fill_keys($keys, true);
        foreach ($this->after->stock as $stock) {
            isset($wanted[Network::key($stock->item, $stock->site)]) && $collector->stock($this->work, $stock);
        }
    }

    /** @param  list<string>  $codes */
    private function replaceOrders(array $codes): void
    {
        if ($codes === []) {
            return;
        }
        foreach ($codes as $code) {
            $old = $this->before->network->orders[$code] ?? null;
            $point = $old === null ? null : $this->work->structure->find($old->item, $old->site);
            foreach ($point === null ? [] : $this->work->supplies[$point->index] ?? [] as $place => $supply) {
                if ($supply->kind === SupplyKind::Order && $supply->name === $code) {
                    array_splice($this->work->supplies[$supply->point], $place, 1);
                    $this->toNet[$supply->point] = true;
                    $this->forgetFacts($supply->point, $supply);
                    $this->dropInputs($supply);
                    break;
                }
            }
        }
        $collector = new SupplyCollector($this->after);
        $rows = self::rowsOf($this->after, $codes);
        foreach ($codes as $code) {
            $order = $this->after->orders[$code] ?? null;
            if ($order === null) {
                continue;
            }
            $collector->order($this->work, $order, $rows[$code] ?? []);
            $index = $this->work->structure->indexes[Network::key($order->item, $order->site)];
            $this->toNet[$index] = true;
            foreach ($this->work->supplies[$index] ?? [] as $supply) {
                if ($supply->kind === SupplyKind::Order && $supply->name === $code) {
                    $this->reach($supply->inputs);
                }
            }
        }
    }

    /** @param  list<string>  $keys */
    private function replaceDemand(array $keys): void
    {
        if ($keys === []) {
            return;
        }
        $wanted = array_fill_keys($keys, true);
        foreach ($keys as $key) {
            $index = $this->work->structure->indexes[$key];
            $this->toNet[$index] = true;
            foreach ($this->work->demands[$index] ?? [] as $demand) {
                if ($demand->kind->isOrdered() || $demand->kind === DemandKind::Forecast) {
                    $this->drop($demand);
                }
            }
        }
        (new DemandCollector($this->after))->add($this->work, Network::of(
            sales: array_values(array_filter(
                $this->after->sales,
                fn (SalesLine $line) => isset($wanted[Network::key($line->item, $line->site)]),
            )),
            jobLines: array_values(array_filter(
                $this->after->jobLines,
                fn (JobLine $line) => $line->wanted() !== null && isset($wanted[Network::key($line->wanted(), $line->site)]),
            )),
            forecasts: array_values(array_filter(
                $this->after->forecasts,
                fn (ForecastBucket $bucket) => isset($wanted[Network::key($bucket->item, $bucket->site)]),
            )),
        ));
    }

    /** @param  list<string>  $references  of demands whose fixed allocations differ */
    private function hold(array $references): void
    {
        if ($references === []) {
            return;
        }
        $wanted = array_fill_keys($references, true);
        foreach ($this->work->demands as $index => $demands) {
            foreach ($demands as $demand) {
                if (! $demand->isOfProposal() && isset($wanted[$demand->reference()])) {
                    $this->toProject[$index] = true;
                }
            }
        }
    }

    /** From the tops down, as far as what is needed differs. */
    private function net(): void
    {
        $netting = new Netting($this->work);
        $explosion = new Explosion($this->work);
        $differs = $shifts = false;
        foreach ($this->work->structure->netting as $index) {
            if (! isset($this->toNet[$index])) {
                continue;
            }
            $this->toProject[$index] = true;
            $point = $this->work->structure->points[$index];
            $old = $this->clear($point);
            $made = $netting->net($point);
            $shifts = $shifts || count($made) !== count($old);
            foreach ($made as $place => $proposal) {
                $before = $old[$place] ?? null;
                if ($before !== null && self::same($before, $proposal)) {
                    $proposal->takeOver($before);
                    $explosion->say($point, $proposal);
                    unset($old[$place]);
                } else {
                    $explosion->explode($point, $proposal, $place);
                    $this->reach($proposal->inputs);
                    $before === null || $proposal->call($before->name);
                    $differs = true;
                }
            }
            $differs = $differs || $old !== [];
            array_map($this->dropInputs(...), $old);
        }
        if ($differs) {
            $netting->checkSize();
            $this->work->isNumbered = $this->work->isNumbered && ! $shifts; // where each proposes as many as before, numbers stay
        }
    }

    /**
     * Puts a point back to where its netting begins.
     *
     * @return list<Supply> the proposals it had
     */
    private function clear(Point $point): array
    {
        $index = $point->index;
        $old = $kept = [];
        foreach ($this->work->supplies[$index] ?? [] as $supply) {
            if ($supply->isProposal()) {
                $old[] = $supply;
            } else {
                $supply->effective = max($supply->due, $this->work->options->planDate);
                $supply->broughtIn = false;
                $kept[] = $supply;
            }
        }
        $demands = [];
        foreach ($this->work->demands[$index] ?? [] as $demand) {
            if ($demand->kind !== DemandKind::Safety && ! isset($this->gone[spl_object_id($demand)])) {
                $demands[] = $demand;
            }
        }
        self::put($this->work->supplies, $index, $kept);
        self::put($this->work->demands, $index, $demands);
        unset($this->work->nettingMessages[$index]);

        return $old;
    }

    /** From raw stock up, as far as dates differ. */
    private function project(): void
    {
        $projection = new Projection($this->after, $this->work);
        foreach (array_reverse($this->work->structure->netting) as $index) {
            if (! isset($this->toProject[$index])) {
                continue;
            }
            $this->forgetProjection($index);
            $projection->project($this->work->structure->points[$index]);
            foreach ($this->work->demands[$index] ?? [] as $demand) {
                if ($demand->for !== null && $demand->expected !== ($this->expected[$index][spl_object_id($demand)] ?? null)) {
                    $this->toProject[$demand->for->point] = true;
                }
            }
        }
    }

    private function forgetProjection(int $index): void
    {
        unset($this->work->pegs[$index], $this->work->projectionMessages[$index], $this->work->shortFrom[$index]);
        foreach ($this->work->supplies[$index] ?? [] as $supply) {
            $supply->waitsFor = null;
        }
        $demands = [];
        foreach ($this->work->demands[$index] ?? [] as $demand) {
            if ($demand->kind !== DemandKind::Safety) {
                $this->expected[$index][spl_object_id($demand)] = $demand->expected;
                $demand->unserve();
                $demands[] = $demand;
            }
        }
        self::put($this->work->demands, $index, $demands);
    }

    private function dropInputs(Supply $supply): void
    {
        array_map($this->drop(...), $supply->inputs);
    }

    private function drop(Demand $demand): void
    {
        $this->gone[spl_object_id($demand)] = $demand;
        $this->toNet[$demand->point] = true;
        $this->forgetFacts($demand->point, $demand);
    }

    private function forgetFacts(int $index, Supply|Demand $about): void
    {
        self::put(
            $this->work->factMessages,
            $index,
            array_values(array_filter($this->work->factMessages[$index] ?? [], fn (Message $message) => $message->about !== $about)),
        );
    }

    /** @param  list<Demand>  $demands */
    private function reach(array $demands): void
    {
        foreach ($demands as $demand) {
            $this->toNet[$demand->point] = true;
        }
    }

    /** Whether a point proposes again what it had proposed in that place, so that nothing below it differs. */
    private static function same(Supply $old, Supply $new): bool
    {
        return $new->qty === $old->qty && $new->start === $old->start && $new->due === $old->due && $new->priority === $old->priority;
    }

    /**
     * @param  list<string>  $codes
     * @return array<string, list<OrderComponent>> by order
     */
    private static function rowsOf(Network $network, array $codes): array
    {
        $wanted = array_fill_keys($codes, true);
        $rows = [];
        foreach ($network->components as $row) {
            isset($wanted[$row->order]) && $rows[$row->order][] = $row;
        }

        return $rows;
    }

    /**
     * An entry that is empty is none.
     *
     * @template T
     *
     * @param  array<int, list<T>>  $lists
     * @param  list<T>  $list
     */
    private static function put(array &$lists, int $index, array $list): void
    {
        if ($list === []) {
            unset($lists[$index]);
        } else {
            $lists[$index] = $list;
        }
    }
}
