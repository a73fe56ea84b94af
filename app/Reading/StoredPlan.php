<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\Run;
use App\Planning\Dates;
use App\Planning\PointRules;
use App\Support\PhraseJson;
use App\Support\Words;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\LotReason;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/**
 * Brings parts of a stored plan back as objects of the core, so that what is shown is computed there.
 *
 * Loads by point, in a handful of queries whatever the number of points; orders and proposals that a demand is an input of come along.
 */
final class StoredPlan
{
    /** Kinds of demand that somebody has ordered. */
    public const ORDERED = ['sales', 'job'];

    /** Values in one `where in`. */
    private const AT_ONCE = 900;

    public readonly Dates $dates;

    public readonly int $planDate;

    /** @var array<int, StoredPoint> */
    private array $points = [];

    /** @var array<int, true> points of what has been loaded, to be loaded at once when one of them is asked for */
    private array $expected = [];

    /** @var array<int, Supply> by number in the run */
    private array $supplies = [];

    /** @var array<int, Demand> by number in the run */
    private array $demands = [];

    /** @var array<int, string|null> hold-up of a demand, as a phrase in JSON, by its number */
    private array $holdUps = [];

    /** @var array<int, int> number of an element by object id */
    private array $numbers = [];

    /** @var array<int, int> the input that a supply waits for, by the supply's number */
    private array $waits = [];

    /** @var array<int, array{int, int}> shares of sales and forecast by the supply's number */
    private array $causes = [];

    /** @var array<int, int> by the supply's number */
    private array $costs = [];

    public function __construct(public readonly Run $run)
    {
        $this->dates = new Dates;
        $this->planDate = $this->dates->day($run->plan_date);
    }

    public function pointsQuery(): Builder
    {
        return DB::table('plan_points as p')->join('items as i', 'i.code', '=', 'p.item_code')->where('p.run_id', $this->run->id)
            ->select(['p.*', 'i.name', 'i.unit', 'i.decimals', 'i.unit_cost']);
    }

    public function findPoint(string $item, string $site): ?StoredPoint
    {
        $row = $this->pointsQuery()->where('p.item_code', $item)->where('p.site_code', $site)->first();

        return $row === null ? null : $this->point($row);
    }

    /** @param  iterable<stdClass>  $rows  of {@see pointsQuery()} */
    public function adopt(iterable $rows): void
    {
        foreach ($rows as $row) {
            $this->point($row);
        }
    }

    public function pointOf(int $n): StoredPoint
    {
        if (! isset($this->points[$n])) {
            $this->expected[$n] = true;
            $this->loadPoints(array_keys($this->expected));
            $this->expected = [];
        }

        return $this->points[$n];
    }

    /**
     * Loads all that moves at the points.
     *
     * @param  list<int>  $points
     */
    public function load(array $points): void
    {
        foreach (array_chunk($points, self::AT_ONCE) as $chunk) {
            $this->loadPoints($chunk);
            $supplies = DB::table('plan_supplies')->where('run_id', $this->run->id)->whereIn('point', $chunk)->orderBy('rank')->get();
            foreach ($supplies as $row) {
                $this->points[(int) $row->point]->supplies[] = $this->supply($row);
            }
            $demands = DB::table('plan_demands')->where('run_id', $this->run->id)->whereIn('point', $chunk)->orderBy('rank')->get();
            $this->loadSupplies($demands->pluck('for_supply')->filter(fn ($n) => $n !== null));
            foreach ($demands as $row) {
                $this->points[(int) $row->point]->demands[] = $this->demand($row);
            }
        }
    }

    /**
     * What moves at points as far as it is summed up: kinds, quantities and the days on which they count, nothing to name them by.
     *
     * @param  list<int>  $points
     * @return array<int, array{list<Supply>, list<Demand>}> by point
     */
    public function moves(array $points): array
    {
        $supplies = $demands = array_fill_keys($points, []);
        foreach (array_chunk($points, self::AT_ONCE) as $chunk) {
            foreach (DB::table('plan_supplies')->where('run_id', $this->run->id)->whereIn('point', $chunk)
                ->get(['point', 'kind', 'qty', 'start', 'effective', 'available']) as $row) {
                $supply = new Supply(
                    point: (int) $row->point, kind: SupplyKind::from($row->kind), type: null, name: '', rank: 0, qty: (int) $row->qty,
                    start: $this->dates->day($row->start), due: $this->dates->day($row->effective),
                    earliest: $this->dates->day($row->effective), priority: 0,
                );
                $supply->available = $this->dates->day($row->available);
                $supplies[(int) $row->point][] = $supply;
            }
            foreach (DB::table('plan_demands')->where('run_id', $this->run->id)->whereIn('point', $chunk)->whereNotNull('need')
                ->get(['point', 'kind', 'qty', 'need']) as $row) {
                $need = $this->dates->day($row->need);
                $demands[(int) $row->point][] = new Demand(
                    point: (int) $row->point, kind: DemandKind::from($row->kind), name: '', line: '', rank: 0, qty: (int) $row->qty,
                    date: $need, need: $need, priority: 0,
                );
            }
        }

        $moves = [];
        foreach ($points as $point) {
            $moves[$point] = [$supplies[$point], $demands[$point]];
        }

        return $moves;
    }

    /**
     * Supplies by number, wherever they are; their points come along when one of them is asked for.
     *
     * @param  iterable<mixed>  $numbers
     */
    public function loadSupplies(iterable $numbers): void
    {
        $wanted = array_values(array_unique(array_filter(
            array_map(intval(...), collect($numbers)->all()),
            fn (int $n) => ! isset($this->supplies[$n]),
        )));
        foreach (array_chunk($wanted, self::AT_ONCE) as $chunk) {
            $rows = DB::table('plan_supplies')->where('run_id', $this->run->id)->whereIn('n', $chunk)->get();
            foreach ($rows as $row) {
                $this->expected[(int) $row->point] = true;
                $this->supply($row);
            }
        }
    }

    /**
     * Demands by number, with their orders and points.
     *
     * @param  iterable<mixed>  $numbers
     */
    public function loadDemands(iterable $numbers): void
    {
        $wanted = array_values(array_unique(array_filter(
            array_map(intval(...), collect($numbers)->all()),
            fn (int $n) => ! isset($this->demands[$n]),
        )));
        foreach (array_chunk($wanted, self::AT_ONCE) as $chunk) {
            $rows = DB::table('plan_demands')->where('run_id', $this->run->id)->whereIn('n', $chunk)->get();
            $this->loadSupplies($rows->pluck('for_supply')->filter(fn ($n) => $n !== null));
            foreach ($rows as $row) {
                $this->expected[(int) $row->point] = true;
                $this->demand($row);
            }
        }
    }

    /** How much of an item is proposed to be there by a day, in millionths. */
    public function proposed(string $item, string $site, int $until): int
    {
        $point = DB::table('plan_points')->where('run_id', $this->run->id)->where('item_code', $item)->where('site_code', $site)->value('n');

        return $point === null ? 0 : (int) DB::table('plan_supplies')->where('run_id', $this->run->id)->where('point', $point)
            ->where('kind', 'proposal')->where('due', '<=', $this->dates->iso($until))->sum('qty');
    }

    /** The demand of a sales line or of a line of a job, however its name is parted; null where the run has none. */
    public function ordered(Reference $reference): ?Demand
    {
        foreach (in_array($reference->kind->value, self::ORDERED, true) ? $reference->parts() : [] as [$order, $line]) {
            $demand = $this->orderedLine(DemandKind::from($reference->kind->value), $order, $line);
            if ($demand !== null) {
                return $demand;
            }
        }

        return null;
    }

    /** The demand of a sales line or of a line of a job; null where the run has none. */
    public function orderedLine(DemandKind $kind, string $order, string $line): ?Demand
    {
        $row = DB::table('plan_demands')->where('run_id', $this->run->id)->where('kind', $kind->value)->where('name', $order)
            ->where('line', $line)->first();
        if ($row === null) {
            return null;
        }
        $this->expected[(int) $row->point] = true;

        return $this->demand($row);
    }

    /**
     * What orders and proposals take.
     *
     * @param  list<int>  $supplies  numbers, loaded
     * @return array<int, list<int>> numbers of demands by supply, in their order
     */
    public function inputsOf(array $supplies): array
    {
        $inputs = [];
        foreach (array_chunk($supplies, self::AT_ONCE) as $chunk) {
            foreach (DB::table('plan_demands')->where('run_id', $this->run->id)->whereIn('for_supply', $chunk)->orderBy('rank')->get() as $row) {
                $this->expected[(int) $row->point] = true;
                $this->demand($row);
                $inputs[(int) $row->for_supply][] = (int) $row->n;
            }
        }

        return $inputs;
    }

    /**
     * The pegs of demands, with the supplies that serve them.
     *
     * @param  list<int>  $demands  numbers
     * @return array<int, list<Peg>> by demand number
     */
    public function pegsOfDemands(array $demands): array
    {
        $pegs = array_fill_keys($demands, []);
        foreach (array_chunk($demands, self::AT_ONCE) as $chunk) {
            $rows = DB::table('plan_pegs')->where('run_id', $this->run->id)->whereIn('demand', $chunk)->get();
            $this->loadSupplies($rows->pluck('supply'));
            $this->loadDemands($chunk);
            foreach ($rows as $row) {
                $pegs[(int) $row->demand][] = new Peg(
                    $this->supplies[(int) $row->supply],
                    $this->demands[(int) $row->demand],
                    (int) $row->qty,
                );
            }
        }

        return array_map(self::inOrder(...), $pegs);
    }

    /**
     * The pegs of supplies, with the demands that they serve.
     *
     * @param  list<int>  $supplies  numbers
     * @return array<int, list<Peg>> by supply number
     */
    public function pegsOfSupplies(array $supplies): array
    {
        $pegs = array_fill_keys($supplies, []);
        foreach (array_chunk($supplies, self::AT_ONCE) as $chunk) {
            $rows = DB::table('plan_pegs')->where('run_id', $this->run->id)->whereIn('supply', $chunk)->get();
            $this->loadSupplies($chunk);
            $this->loadDemands($rows->pluck('demand'));
            foreach ($rows as $row) {
                $pegs[(int) $row->supply][] = new Peg(
                    $this->supplies[(int) $row->supply],
                    $this->demands[(int) $row->demand],
                    (int) $row->qty,
                );
            }
        }

        return array_map(self::inOrder(...), $pegs);
    }

    /**
     * Proposals by their number, with their points.
     *
     * @param  list<int>  $numbers
     * @return array<int, Supply>
     */
    public function proposals(array $numbers): array
    {
        $found = [];
        foreach (array_chunk($numbers, self::AT_ONCE) as $chunk) {
            $places = DB::table('plan_supplies')->where('run_id', $this->run->id)->where('kind', 'proposal')
                ->whereIn('name', array_map(strval(...), $chunk))->pluck('n')->map(fn ($n) => (int) $n);
            $this->loadSupplies($places);
            foreach ($places as $n) {
                $found[(int) $this->supplies[$n]->name] = $this->supplies[$n];
            }
        }

        return $found;
    }

    public function supplyNumbered(int $n): Supply
    {
        $this->loadSupplies([$n]);

        return $this->supplies[$n];
    }

    /** Narrows to the demands that will be there after their date, also where that has passed already; `late_days` and `original_date` of one table. */
    public static function late(Builder $query): Builder
    {
        return $query->where(fn (Builder $query) => $query->where('late_days', '>', 0)->orWhereNotNull('original_date'));
    }

    public function demandNumbered(int $n): Demand
    {
        $this->loadDemands([$n]);

        return $this->demands[$n];
    }

    public function numberOf(Supply|Demand $element): int
    {
        return $this->numbers[spl_object_id($element)];
    }

    public function holdUpOf(Demand $demand): ?string
    {
        $kept = $this->holdUps[$this->numberOf($demand)] ?? null;

        return $kept === null ? null : Words::say(PhraseJson::read($kept), $this->planDate);
    }

    /** The input that makes a supply late, when one does. */
    public function waitsFor(Supply $supply): ?Demand
    {
        $n = $this->waits[$this->numberOf($supply)] ?? null;

        return $n === null ? null : $this->demandNumbered($n);
    }

    /**
     * Reads at once what each of some supplies waits for.
     *
     * @param  list<int>  $supplies  numbers, loaded
     */
    public function loadWaits(array $supplies): void
    {
        $this->loadDemands(array_filter(array_map(fn (int $n) => $this->waits[$n] ?? null, $supplies), fn (?int $n) => $n !== null));
    }

    /** What a proposal to buy costs, in whole units of the currency; null of others, and where it was planned before costs were kept. */
    public function costOf(Supply $supply): ?int
    {
        return $this->costs[$this->numberOf($supply)] ?? null;
    }

    /** @return array{int, int} millionths of a supply that are for sales and for forecast */
    public function causesOf(Supply $supply): array
    {
        return $this->causes[$this->numberOf($supply)];
    }

    /** @param  array<int, int>  $points */
    private function loadPoints(array $points): void
    {
        $missing = array_values(array_unique(array_filter($points, fn (int $n) => ! isset($this->points[$n]))));
        foreach (array_chunk($missing, self::AT_ONCE) as $chunk) {
            $this->adopt($this->pointsQuery()->whereIn('p.n', $chunk)->get());
        }
    }

    private function point(stdClass $row): StoredPoint
    {
        return $this->points[(int) $row->n] ??= new StoredPoint(
            n: (int) $row->n,
            item: $row->item_code,
            site: $row->site_code,
            name: $row->name,
            unit: $row->unit,
            decimals: (int) $row->decimals,
            unitCost: (int) $row->unit_cost,
            level: (int) $row->level,
            supply: OrderKind::from($row->supply),
            supplier: $row->supplier_code,
            rules: PointRules::fromJson($row->rules),
            troubleFrom: $row->trouble_from,
            shortFrom: $row->short_from,
        );
    }

    private function supply(stdClass $row): Supply
    {
        $n = (int) $row->n;
        if (isset($this->supplies[$n])) {
            return $this->supplies[$n];
        }
        $supply = $this->hydrated($row);
        if ($row->waits_for !== null) {
            $this->waits[$n] = (int) $row->waits_for;
        }
        if ($row->cost !== null) {
            $this->costs[$n] = (int) $row->cost;
        }
        $this->causes[$n] = [(int) $row->for_sales, (int) $row->for_forecast];
        $this->numbers[spl_object_id($supply)] = $n;

        return $this->supplies[$n] = $supply;
    }

    /** A supply of a row, for itself: without what it waits for or takes, and not kept. */
    public function hydrated(stdClass $row): Supply
    {
        $supply = new Supply(
            point: (int) $row->point,
            kind: SupplyKind::from($row->kind),
            type: $row->type === null ? null : OrderKind::from($row->type),
            name: $row->name,
            rank: (int) $row->rank,
            qty: (int) $row->qty,
            start: $this->dates->day($row->start),
            due: $this->dates->day($row->due),
            earliest: $this->dates->day($row->earliest),
            priority: (int) $row->priority,
            pinned: (bool) $row->pinned,
            released: (bool) $row->released,
            supplier: $row->supplier_code,
            fromSite: $row->from_site_code,
            overdue: (bool) $row->overdue,
        );
        $supply->effective = $this->dates->day($row->effective);
        $supply->available = $this->dates->day($row->available);
        $supply->broughtIn = (bool) $row->brought_in;
        $supply->reason = $row->reason === null ? null : new LotReason(...(array) json_decode($row->reason, true, 8, JSON_THROW_ON_ERROR));

        return $supply;
    }

    private function demand(stdClass $row): Demand
    {
        $n = (int) $row->n;
        if (isset($this->demands[$n])) {
            return $this->demands[$n];
        }
        $demand = new Demand(
            point: (int) $row->point,
            kind: DemandKind::from($row->kind),
            name: $row->name,
            line: $row->line,
            rank: (int) $row->rank,
            qty: (int) $row->qty,
            date: $this->dates->dayOrNull($row->date),
            need: $this->dates->dayOrNull($row->need),
            priority: (int) $row->priority,
            originalDate: $this->dates->dayOrNull($row->original_date),
            for: $row->for_supply === null ? null : $this->supplies[(int) $row->for_supply] ?? null,
            customer: $row->customer,
        );
        $demand->expected = $this->dates->dayOrNull($row->expected);
        $demand->uncovered = (int) $row->uncovered;
        $this->holdUps[$n] = $row->hold_up;
        $this->numbers[spl_object_id($demand)] = $n;

        return $this->demands[$n] = $demand;
    }

    /**
     * @param  list<Peg>  $pegs
     * @return list<Peg>
     */
    private static function inOrder(array $pegs): array
    {
        usort($pegs, fn (Peg $a, Peg $b) => $a->supply->available <=> $b->supply->available ?: $a->supply->rank <=> $b->supply->rank
            ?: $a->demand->need <=> $b->demand->need ?: $a->demand->rank <=> $b->demand->rank);

        return $pegs;
    }

    /** @return Collection<int, stdClass> conversions of this run's proposals: proposal, order code and who */
    public function conversions(): Collection
    {
        return DB::table('conversions as c')->join('order_lines as l', 'l.id', '=', 'c.order_line_id')
            ->join('orders as o', 'o.id', '=', 'l.order_id')->join('users as u', 'u.id', '=', 'c.user_id')
            ->where('c.run_id', $this->run->id)->select([
                'c.proposal', 'l.code as line', 'o.code as order', 'u.name as by',
            ])->get()->keyBy('proposal');
    }
}
