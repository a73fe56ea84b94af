<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\CauseStrip;
use App\Reading\Shapes\ProposalDetail;
use App\Reading\Shapes\ProposalGroup;
use App\Reading\Shapes\ProposalRow;
use App\Reading\Shapes\ProposalRows;
use App\Support\Words;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\ConversionDate;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;

/** The proposals of the live plan that have not been converted yet. */
final readonly class ProposalList
{
    private const AT_ONCE = 300;

    private Describe $describe;

    /** @var array<string, stdClass> suppliers by code */
    private array $suppliers;

    /** @var array<string, string> names by code */
    private array $sites;

    private int $bringInDays;

    public function __construct(private StoredPlan $plan)
    {
        $this->describe = new Describe($plan);
        $this->suppliers = DB::table('suppliers')->get()->keyBy('code')->all();
        $this->sites = DB::table('sites')->pluck('name', 'code')->map(fn ($name) => (string) $name)->all();
        $this->bringInDays = (int) ($plan->run->parameters['bringInDays'] ?? 0);
    }

    /**
     * How many of a site start by a day and have not been converted: all less the converted, of which there are few.
     *
     * @param  string|null  $until  ISO date; null for all
     */
    public static function open(StoredPlan $plan, string $site, ?string $until): int
    {
        $run = $plan->run->id;
        $here = fn (Builder $query) => $query->where('s.run_id', $run)->where('s.kind', 'proposal')
            ->when($until !== null, fn (Builder $query) => $query->where('s.start', '<=', $until))
            ->when($site !== '', fn (Builder $query) => $query->whereIn(
                's.point',
                DB::table('plan_points')->where('run_id', $run)->where('site_code', $site)->select('n'),
            ));
        $converted = DB::table('conversions as c')
            ->join('plan_supplies as s', fn ($join) => $join->on('s.run_id', '=', 'c.run_id')->whereRaw('s.name = cast(c.proposal as varchar(20))'));

        return $here(DB::table('plan_supplies as s'))->count() - $here($converted)->count();
    }

    /**
     * Proposals not converted yet.
     *
     * @param  string|null  $until  ISO date by which they start; null for all
     */
    public function query(string $site = '', ?string $until = null, string $text = ''): Builder
    {
        return DB::table('plan_supplies as s')
            ->join('plan_points as p', fn ($join) => $join->on('p.run_id', '=', 's.run_id')->on('p.n', '=', 's.point'))
            ->where('s.run_id', $this->plan->run->id)->where('s.kind', 'proposal')
            ->whereNotIn('s.name', DB::table('conversions')->where('run_id', $this->plan->run->id)->selectRaw('cast(proposal as varchar(20))'))
            ->when($site !== '', fn (Builder $query) => $query->where('p.site_code', $site))
            ->when($until !== null, fn (Builder $query) => $query->where('s.start', '<=', $until))
            ->when($text !== '', fn (Builder $query) => TextMatch::in($query, ['p.item_code'], $text));
    }

    /** Names of the columns that proposals can be sorted by under their headings, and what they are sorted by. */
    public const SORTED = [
        'item' => 'p.item_code', 'qty' => 's.qty', 'start' => 's.start', 'wanted' => 's.due', 'when' => 's.start', 'for' => 's.for_sales',
        'value' => 's.cost',
    ];

    /**
     * By supplier, item or date to start, counted and summed up over all of them; under each heading by date, or as asked.
     *
     * @param  Builder  $query  see {@see query()}
     * @param  int  $from  place in the list
     */
    public function rows(
        Builder $query,
        ProposalGrouping $by,
        ListOrder $order,
        int $from = 0,
        int $rows = ListOrder::ROWS,
    ): ProposalRows {
        $total = (clone $query)->count();
        $by->apply($query);
        $numbers = $order->apply(clone $query, self::SORTED)->orderBy('s.start')->orderBy('p.item_code')->orderBy('s.n')
            ->offset($from)->limit($rows)->pluck('s.n')->map(fn ($value) => (int) $value)->all();
        $made = $this->made($numbers, $by);
        $groups = [];
        foreach ($made as $row) {
            $groups[$row->group][] = $row;
        }

        return new ProposalRows($groups === [] ? [] : $this->groups($groups, $by, $query), $total);
    }

    /**
     * @param  non-empty-array<string, non-empty-list<ProposalRow>>  $groups  the rows at hand by their heading
     * @return list<ProposalGroup>
     */
    private function groups(array $groups, ProposalGrouping $by, Builder $query): array
    {
        $counts = $by->counts((clone $query)->reorder());
        $made = [];
        foreach ($groups as $key => $rows) {
            [$count, $cost] = $counts[$key] ?? [count($rows), null];
            $made[] = $this->group((string) $key, $rows, $by, $count, $cost);
        }

        return $made;
    }

    /**
     * @param  array<int>  $numbers  of supplies
     * @return list<ProposalRow>
     */
    private function made(array $numbers, ProposalGrouping $by): array
    {
        $numbers = array_values($numbers);
        $this->plan->loadSupplies($numbers);
        $this->plan->loadWaits($numbers);
        $serves = $this->plan->pegsOfSupplies($numbers);
        $costs = $this->costs($numbers);

        return array_map(
            fn (int $n) => $this->row($this->plan->supplyNumbered($n), $serves[$n], $by, $costs[$n] ?? null),
            $numbers,
        );
    }

    /**
     * What proposals to buy cost.
     *
     * @param  list<int>  $numbers  of supplies
     * @return array<int, int> in whole units of the currency
     */
    private function costs(array $numbers): array
    {
        return DB::table('plan_supplies')->where('run_id', $this->plan->run->id)->whereIntegerInRaw('n', $numbers)->whereNotNull('cost')
            ->pluck('cost', 'n')->map(fn ($cost) => (int) $cost)->all();
    }

    /**
     * Every proposal of a query, a few hundred in memory at a time.
     *
     * @return iterable<ProposalRow>
     */
    public function all(Builder $query): iterable
    {
        $numbers = $query->orderBy('s.start')->orderBy('p.item_code')->orderBy('s.n')->pluck('s.n')->map(fn ($value) => (int) $value)
            ->all();
        foreach (array_chunk($numbers, self::AT_ONCE) as $chunk) {
            yield from $this->made($chunk, ProposalGrouping::Date);
        }
    }

    public function detail(Supply $proposal): ProposalDetail
    {
        $point = $this->plan->pointOf($proposal->point);
        $this->plan->load([$point->n]);
        $number = $this->plan->numberOf($proposal);

        return new ProposalDetail(
            $this->made([$number], ProposalGrouping::Supplier)[0],
            (new Explanations($this->plan))->proposal($proposal),
            SupplierChoices::of($this->plan, $proposal, $point),
            $this->describe->messages($point->n, $proposal->reference()),
        );
    }

    /** @param  list<Peg>  $serves */
    private function row(Supply $proposal, array $serves, ProposalGrouping $by, ?int $cost): ProposalRow
    {
        $point = $this->plan->pointOf($proposal->point);
        $dates = $this->plan->dates;
        $causes = $this->plan->causesOf($proposal);
        $kind = $proposal->type ?? OrderKind::Make;
        $due = ConversionDate::of($proposal, $this->bringInDays);
        $waitsFor = $this->plan->waitsFor($proposal);

        return new ProposalRow(
            reference: (string) Reference::proposal($proposal->name),
            number: (int) $proposal->name,
            kind: $kind,
            item: $point->item,
            site: $point->site,
            name: $point->name,
            unit: $point->unit,
            decimals: $point->decimals,
            qty: Quantity::format($proposal->qty),
            start: $dates->iso($proposal->start),
            wanted: $dates->iso($proposal->reason->wanted ?? $proposal->due),
            due: $dates->iso($due),
            expected: $dates->iso($proposal->available),
            supplier: $proposal->supplier,
            supplierName: $proposal->supplier === null ? null : $this->suppliers[$proposal->supplier]->name,
            fromSite: $proposal->fromSite,
            daysToStart: $proposal->start - $this->plan->planDate,
            waitsFor: $waitsFor === null ? null : $this->plan->pointOf($waitsFor->point)->item,
            causes: new CauseStrip(intdiv($causes[0], 1000), intdiv($causes[1], 1000)),
            purpose: $this->purpose($serves),
            value: $cost === null ? null : (string) $cost,
            currency: $proposal->supplier === null ? '' : $this->suppliers[$proposal->supplier]->currency,
            group: $by->key(
                $proposal->type, $point->item, $point->site, $proposal->supplier, $proposal->fromSite, $dates->iso($proposal->start),
            ),
        );
    }

    /** @param  non-empty-list<ProposalRow>  $rows  those at hand */
    private function group(string $key, array $rows, ProposalGrouping $by, int $count, ?int $cost): ProposalGroup
    {
        $first = $rows[0];
        $site = $this->sites[$first->site];
        [$title, $note] = match ($by) {
            ProposalGrouping::Item => ["{$first->item} {$first->name}", trans('at :site', ['site' => $site])],
            ProposalGrouping::Date => [Words::isoDay($first->start, $this->plan->planDate), ''],
            default => match ($first->kind) {
                OrderKind::Buy => [
                    $first->supplierName ?? trans('No supplier'),
                    $first->supplier === null
                        ? trans('choose one before ordering')
                        : trans_choice(
                            '{1} one purchase order for :site, 1 line|[2,*] one purchase order for :site, :count lines',
                            $count,
                            ['site' => $site, 'count' => $count],
                        ),
                ],
                OrderKind::Make => [
                    trans('Made at :site', ['site' => $site]),
                    trans_choice('{1} 1 production order|[2,*] :count production orders', $count, ['count' => $count]),
                ],
                OrderKind::Transfer => [
                    trans('From :from to :site', ['from' => $this->sites[(string) $first->fromSite] ?? '', 'site' => $site]),
                    trans_choice('{1} 1 transfer|[2,*] :count transfers', $count, ['count' => $count]),
                ],
            },
        };

        return new ProposalGroup(
            key: $key,
            title: $title,
            note: $note,
            value: $by === ProposalGrouping::Supplier && $cost !== null ? (string) $cost : null,
            currency: $first->currency,
            count: $count,
            rows: $rows,
        );
    }

    /** @param  list<Peg>  $serves */
    private function purpose(array $serves): string
    {
        $for = [];
        foreach ($serves as $peg) {
            $demand = $peg->demand;
            $for[match (true) {
                $demand->for !== null && ! $demand->isOfProposal() => $demand->for->name,
                $demand->for !== null => $this->plan->pointOf($demand->for->point)->item,
                $demand->kind === DemandKind::Sales => $demand->name,
                $demand->kind === DemandKind::Forecast => trans('forecast'),
                default => trans('safety stock'),
            }] = true;
        }
        $names = array_map(strval(...), array_keys($for));

        return match (count($names)) {
            0 => trans('stock rule'),
            1 => $names[0],
            default => trans(':first and :count more', ['first' => $names[0], 'count' => count($names) - 1]),
        };
    }
}
