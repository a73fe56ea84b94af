<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\NetworkReader;
use App\Planning\RunParameters;
use App\Reading\Shapes\CauseStrip;
use App\Reading\Shapes\ProposalDetail;
use App\Reading\Shapes\ProposalGroup;
use App\Reading\Shapes\ProposalRow;
use App\Reading\Shapes\SupplierChoice;
use App\Support\Words;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Netting\OrderFromProposal;
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
    /** How many are shown at once; the rest is counted. */
    public const MOST = 300;

    private Describe $describe;

    /** @var array<string, stdClass> suppliers by code */
    private array $suppliers;

    private Prices $prices;

    /** @var array<string, string> names by code */
    private array $sites;

    private int $bringInDays;

    public function __construct(private StoredPlan $plan)
    {
        $this->describe = new Describe($plan);
        $this->suppliers = DB::table('suppliers')->get()->keyBy('code')->all();
        $this->prices = new Prices;
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
            ->leftJoin('conversions as c', fn ($join) => $join->on('c.run_id', '=', 's.run_id')->whereRaw("s.kind = 'proposal' and s.name = cast(c.proposal as varchar(20))"))
            ->where('s.run_id', $this->plan->run->id)->where('s.kind', 'proposal')->whereNull('c.id')
            ->when($site !== '', fn (Builder $query) => $query->where('p.site_code', $site))
            ->when($until !== null, fn (Builder $query) => $query->where('s.start', '<=', $until))
            ->when($text !== '', fn (Builder $query) => TextMatch::in($query, ['p.item_code'], $text));
    }

    /**
     * @param  string  $by  supplier, item or date
     * @return list<ProposalGroup>
     */
    public function groups(Builder $query, string $by): array
    {
        $numbers = $query->orderBy('s.start')->orderBy('p.item_code')->orderBy('s.n')->limit(self::MOST)->pluck('s.n')
            ->map(fn ($value) => (int) $value);
        $this->plan->loadSupplies($numbers);
        $serves = $this->plan->pegsOfSupplies(array_values($numbers->all()));
        $this->loadPrices($numbers->all());
        $rows = $numbers->map(fn (int $n) => $this->row($this->plan->supplyNumbered($n), $serves[$n], $by));
        $groups = $rows->groupBy('group')->map(fn (Collection $rows, string $key) => $this->group($key, array_values($rows->all()), $by));

        return array_values(($by === 'date'
            ? $groups
            : $groups->sortBy(fn (ProposalGroup $group) => ($group->rows[0]->kind === OrderKind::Buy ? '0' : '1').$group->title))->all());
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
        foreach (array_chunk($numbers, self::MOST) as $chunk) {
            $serves = $this->plan->pegsOfSupplies($chunk);
            $this->loadPrices($chunk);
            foreach ($chunk as $number) {
                yield $this->row($this->plan->supplyNumbered($number), $serves[$number], 'date');
            }
        }
    }

    public function detail(Supply $proposal): ProposalDetail
    {
        $point = $this->plan->pointOf($proposal->point);
        $this->plan->load([$point->n]);
        $number = $this->plan->numberOf($proposal);

        return new ProposalDetail(
            $this->row($proposal, $this->plan->pegsOfSupplies([$number])[$number], 'supplier'),
            (new Explanations($this->plan))->proposal($proposal),
            $this->choices($proposal, $point),
            $this->describe->messages($point->n, $proposal->reference()),
        );
    }

    /** @param  array<int>  $numbers  of supplies that are loaded */
    private function loadPrices(array $numbers): void
    {
        $items = array_map(fn (int $n) => $this->plan->pointOf($this->plan->supplyNumbered($n)->point)->item, array_values($numbers));
        $this->prices->load($items);
    }

    /** @param  list<Peg>  $serves */
    private function row(Supply $proposal, array $serves, string $by): ProposalRow
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
            value: $this->value($proposal, $point),
            currency: $proposal->supplier === null ? '' : $this->suppliers[$proposal->supplier]->currency,
            group: $this->groupKey($proposal, $point, $by),
        );
    }

    private function groupKey(Supply $proposal, StoredPoint $point, string $by): string
    {
        return match ($by) {
            'item' => "{$point->item}\x1f{$point->site}",
            'date' => $this->plan->dates->iso($proposal->start),
            default => match ($proposal->type) {
                OrderKind::Buy => "buy\x1f{$proposal->supplier}\x1f{$point->site}",
                OrderKind::Make => "make\x1f{$point->site}",
                default => "transfer\x1f{$proposal->fromSite}\x1f{$point->site}",
            },
        };
    }

    /** @param  list<ProposalRow>  $rows */
    private function group(string $key, array $rows, string $by): ProposalGroup
    {
        $first = $rows[0];
        $count = count($rows);
        $value = 0;
        foreach ($rows as $row) {
            $value += (int) ($row->value ?? 0);
        }
        $site = $this->sites[$first->site];
        [$title, $note] = match ($by) {
            'item' => ["{$first->item} {$first->name}", trans('at :site', ['site' => $site])],
            'date' => [Words::isoDay($first->start, $this->plan->planDate), ''],
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
            $key, $title, $note, $by === 'supplier' && $first->kind === OrderKind::Buy ? (string) $value : null, $first->currency,
            $rows,
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

    private function value(Supply $proposal, StoredPoint $point): ?string
    {
        return $proposal->type === OrderKind::Buy ? (string) $this->prices->value($proposal->qty, $point, $proposal->supplier) : null;
    }

    /** @return list<SupplierChoice> */
    private function choices(Supply $proposal, StoredPoint $point): array
    {
        if ($proposal->type !== OrderKind::Buy) {
            return [];
        }
        $network = app(NetworkReader::class)->around($point->item, $point->site);
        $options = RunParameters::options($this->plan->run->parameters);
        $choices = [];
        foreach ($network->supplierItems as $offer) {
            $supplier = $network->suppliers[$offer->supplier];
            $possible = OrderFromProposal::earliest($network, $options, $point->item, $point->site, $offer->supplier);
            $choices[] = new SupplierChoice(
                $offer->supplier, $supplier->name, $offer->leadDays ?? $point->rules->lead,
                $offer->price === null ? null : Quantity::format($offer->price), $supplier->currency, $this->plan->dates->iso($possible),
            );
        }

        return $choices;
    }
}
