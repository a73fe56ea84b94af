<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\ProposalHeading;
use App\Reading\Shapes\CauseStrip;
use App\Reading\Shapes\ProposalDetail;
use App\Reading\Shapes\ProposalGroup;
use App\Reading\Shapes\ProposalRow;
use App\Reading\Shapes\ProposalRows;
use App\Support\Stored;
use App\Support\Words;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\ConversionDate;
use Yposta\Core\Plan\DemandIdentity;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;

/** The proposals of the live plan that have not been converted yet. */
final readonly class ProposalList
{
    /** As many as are converted at once. */
    private const MOST_READY = 1_000;

    private Describe $describe;

    /** @var array<string, stdClass> suppliers by code */
    private array $suppliers;

    /** @var array<string, string> names by code */
    private array $sites;

    private HeadingWords $words;

    private int $bringInDays;

    public function __construct(private StoredPlan $plan)
    {
        $this->describe = new Describe($plan);
        $this->suppliers = DB::table('suppliers')->get()->keyBy('code')->all();
        $this->sites = DB::table('sites')->pluck('name', 'code')->map(fn ($name) => (string) $name)->all();
        $this->words = new HeadingWords($this->sites, array_map(fn (stdClass $supplier) => (string) $supplier->name, $this->suppliers));
        $this->bringInDays = (int) ($plan->run->parameters['bringInDays'] ?? 0);
    }

    /** Names of the columns that proposals can be sorted by under their headings, and what they are sorted by. */
    public const SORTED = [
        'item' => 'p.item_code', 'qty' => 's.qty', 'start' => 's.start', 'wanted' => 's.due', 'when' => 's.start', 'for' => 's.for_sales',
        'value' => 's.cost',
    ];

    /**
     * By supplier, item or date to start, counted and summed up over all of them; under each heading by date, or as asked.
     *
     * @param  int  $from  place in the list
     */
    public function rows(
        ProposalFilter $filter,
        ProposalGrouping $by,
        ListOrder $order,
        int $from = 0,
        int $rows = ListOrder::ROWS,
    ): ProposalRows {
        $headings = new ProposalHeadings($this->plan, $filter, $by);
        $page = $headings->page($order, $from, $rows);
        $made = $this->made(array_merge(...array_values($page)));
        $groups = [];
        foreach ($page as $key => $numbers) {
            [$count, $cost] = $headings->counts[$key];
            $under = array_values(array_filter(array_map(fn (int $n) => $made[$n] ?? null, $numbers)));
            $under === [] || $groups[] = $this->group((string) $key, $under, $by, $count, $cost);
        }

        return new ProposalRows($groups, $headings->total());
    }

    /**
     * @param  list<int>  $numbers  of supplies
     * @return array<int, ProposalRow> by number
     */
    private function made(array $numbers): array
    {
        $this->plan->loadSupplies($numbers);
        $this->plan->loadWaits($numbers);
        $serves = $this->plan->pegsOfSupplies($numbers);
        $resting = DB::table('resting_proposals as r')->join('put_offs as f', 'f.id', '=', 'r.put_off_id')->where('r.run_id', $this->plan->run->id)
            ->get(['r.proposal', 'f.until', 'f.reason'])->keyBy('proposal')->all();
        $made = [];
        foreach ($numbers as $n) {
            $proposal = $this->plan->supplyNumbered($n);
            $made[$n] = $this->row($proposal, $serves[$n], $resting[(int) $proposal->name] ?? null);
        }

        return $made;
    }

    /**
     * Those that only have to be ordered: their day is not over, they come in time, somebody sells them, and nothing is said against them.
     *
     * @return list<ProposalRow> what starts first at the top
     */
    public function ready(ProposalFilter $filter): array
    {
        $run = $this->plan->run;
        $numbers = (new OpenProposals($this->plan, $filter))->query()->where('s.start', '>=', $run->plan_date)->whereNull('s.waits_for')
            ->whereColumn('s.available', '<=', 's.due')
            ->where(fn (Builder $sold) => $sold->where('s.type', '<>', 'buy')->orWhereNotNull('s.supplier_code'))
            ->whereNotExists(fn (Builder $said) => $said->from('plan_messages as m')->where('m.run_id', $run->id)
                ->where('m.reference', DB::raw("'proposal:' || s.name")))
            ->orderBy('s.start')->orderBy('s.n')->limit(self::MOST_READY)->pluck('s.n')->map(Stored::int(...))->all();

        return array_values($this->made(array_values($numbers)));
    }

    /** @param  int|null  $qty  that is wanted, millionths; null for what is proposed */
    public function detail(Supply $proposal, ?int $qty = null): ProposalDetail
    {
        $point = $this->plan->pointOf($proposal->point);
        $this->plan->load([$point->n]);
        $number = $this->plan->numberOf($proposal);

        return new ProposalDetail(
            row: $this->made([$number])[$number],
            answer: (new Explanations($this->plan))->proposal($proposal),
            ways: WayChoices::of($this->plan, $proposal, $point, $qty ?? $proposal->qty),
            messages: $this->describe->messages($point->n, $proposal->reference()),
            need: $this->need($number),
            givenBack: $this->givenBack($point),
            putOff: $this->putOff($proposal, $point),
            isResting: DB::table('resting_proposals')->where('run_id', $this->plan->run->id)->where('proposal', (int) $proposal->name)->exists(),
        );
    }

    private function givenBack(StoredPoint $point): ?string
    {
        $back = GivenBackList::rows($point->item, $point->site)[0] ?? null;

        return $back === null ? null : (string) trans('Given back by :name: :reason', ['name' => $back->by, 'reason' => $back->reason]);
    }

    private function need(int $number): ?string
    {
        foreach ($this->plan->pegsOfSupplies([$number])[$number] as $peg) {
            if ($peg->demand->kind !== DemandKind::Safety) {
                return DemandIdentity::named($peg->demand, function (int $n): string {
                    $point = $this->plan->pointOf($n);

                    return "{$point->item}@{$point->site}";
                });
            }
        }

        return null;
    }

    /** What was said when the same was put off, as long as nobody has taken it up again. */
    private function putOff(Supply $proposal, StoredPoint $point): ?string
    {
        $said = DB::table('put_offs as f')->join('users as u', 'u.id', '=', 'f.user_id')->where('f.item_code', $point->item)
            ->where('f.site_code', $point->site)->where('f.kind', $proposal->type?->value)->where('f.due', $this->plan->dates->iso($proposal->due))
            ->whereNull('f.withdrawn_at')->orderByDesc('f.id')->first(['f.until', 'f.reason', 'u.name']);

        return $said === null ? null : (string) trans('Put off until :day by :name: :reason', [
            'day' => Words::isoDay(substr(Stored::text($said->until), 0, 10), $this->plan->planDate), 'name' => Stored::text($said->name),
            'reason' => Stored::text($said->reason),
        ]);
    }

    /** @param  list<Peg>  $serves */
    private function row(Supply $proposal, array $serves, ?stdClass $rests): ProposalRow
    {
        $point = $this->plan->pointOf($proposal->point);
        $dates = $this->plan->dates;
        $causes = $this->plan->causesOf($proposal);
        $cost = $this->plan->costOf($proposal);
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
            restsUntil: $rests === null ? null : substr(Stored::text($rests->until), 0, 10),
            restsWhy: $rests === null ? '' : Stored::text($rests->reason),
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
            default => [$this->words->title(ProposalHeading::parse($key)), match ($first->kind) {
                OrderKind::Buy => $first->supplier === null
                    ? trans('choose one before ordering')
                    : trans_choice(
                        '{1} one purchase order for :site, 1 line|[2,*] one purchase order for :site, :count lines',
                        $count,
                        ['site' => $site, 'count' => $count],
                    ),
                OrderKind::Make => trans_choice('{1} 1 production order|[2,*] :count production orders', $count, ['count' => $count]),
                OrderKind::Transfer => trans_choice('{1} 1 transfer|[2,*] :count transfers', $count, ['count' => $count]),
            }],
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
                $demand->kind->isOrdered() => $demand->name,
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
