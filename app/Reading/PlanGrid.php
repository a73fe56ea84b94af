<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\BalanceMark;
use App\Reading\Shapes\GridCell;
use App\Reading\Shapes\GridRow;
use App\Reading\Shapes\RecordRow;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Plan\BucketRow;
use Yposta\Core\Plan\Buckets;
use Yposta\Core\Quantity\Quantity;

/** The grid item x period, a page of points at a time. */
final readonly class PlanGrid
{
    /** How many periods a grid shows at most. */
    public const MOST_PERIODS = 60;

    private const AT_ONCE = 900;

    public function __construct(
        private StoredPlan $plan,
        private BucketSize $size,
        private bool $asExpected,
        private GridFigure $figure = GridFigure::Balance,
    ) {
    }

    /** @return list<string> first days of the periods, as ISO dates */
    public function periods(): array
    {
        return array_map(
            fn (array $span) => $this->plan->dates->iso($span[0]),
            array_slice($this->buckets()->spans(), 0, self::MOST_PERIODS),
        );
    }

    /** The points that a filter leaves, in order. */
    public function query(GridFilter $filter): Builder
    {
        $query = $this->filtered($this->plan->pointsQuery(), $filter);

        return match ($filter->sort) {
            'code' => $query->orderBy('p.item_code')->orderBy('p.site_code'),
            'urgency' => $query->orderByRaw('case when p.short_from is null then 1 else 0 end')->orderBy('p.short_from')
                ->orderByRaw('case when p.trouble_from is null then 1 else 0 end')->orderBy('p.trouble_from')->orderByDesc('p.worst')->orderBy('p.item_code'),
            default => $query->orderBy('p.place'),
        };
    }

    /** How many points a filter leaves. */
    public function count(GridFilter $filter): int
    {
        return $this->filtered(
            $filter->text === '' ? DB::table('plan_points as p')->where('p.run_id', $this->plan->run->id) : $this->plan->pointsQuery(),
            $filter,
        )->count();
    }

    private function filtered(Builder $query, GridFilter $filter): Builder
    {
        return $query
            ->when($filter->site !== '', fn (Builder $query) => $query->where('p.site_code', $filter->site))
            ->when($filter->supply !== '', fn (Builder $query) => $query->where('p.supply', $filter->supply))
            ->when($filter->supplier !== '', fn (Builder $query) => $query->where('p.supplier_code', $filter->supplier))
            ->when($filter->inTrouble, fn (Builder $query) => $query->whereNotNull('p.trouble_from'))
            ->when($filter->text !== '', fn (Builder $query) => TextMatch::in($query, ['p.item_code', 'i.name'], $filter->text));
    }

    /** @return list<GridRow> */
    public function rows(GridFilter $filter, int $offset, int $limit): array
    {
        $found = $this->query($filter)->offset($offset)->limit($limit)->get();
        $this->plan->adopt($found);

        return $this->rowsOf(array_values($found->map(fn ($row) => (int) $row->n)->all()));
    }

    /**
     * The figures of all rows, some in memory at a time.
     *
     * @return iterable<array{StoredPoint, list<string>}>
     */
    public function figures(GridFilter $filter): iterable
    {
        $buckets = $this->buckets();
        $points = $this->query($filter)->pluck('p.n')->map(fn ($n) => (int) $n)->all();
        foreach (array_chunk($points, self::AT_ONCE) as $some) {
            $this->plan->adopt($this->plan->pointsQuery()->whereIn('p.n', $some)->get());
            foreach ($this->plan->moves($some) as $n => [$supplies, $demands]) {
                $figures = [];
                foreach (array_slice($buckets->of($supplies, $demands), 0, self::MOST_PERIODS) as $row) {
                    $figures[] = Quantity::format($this->figure->of($row, $this->asExpected));
                }
                yield [$this->plan->pointOf($n), $figures];
            }
        }
    }

    /**
     * @param  list<int>  $points
     * @return list<GridRow>
     */
    private function rowsOf(array $points): array
    {
        $moves = $this->plan->moves($points);
        $buckets = $this->buckets();

        return array_map(function (int $n) use ($buckets, $moves): GridRow {
            $point = $this->plan->pointOf($n);
            [$supplies, $demands] = $moves[$n];
            $cells = array_map(
                fn (BucketRow $row) => $this->cell($point, $row),
                array_slice($buckets->of($supplies, $demands), 0, self::MOST_PERIODS),
            );

            return new GridRow(
                item: $point->item,
                site: $point->site,
                name: $point->name,
                unit: $point->unit,
                decimals: $point->decimals,
                level: $point->level,
                supply: $point->supply,
                troubleFrom: $point->troubleFrom,
                cells: $cells,
            );
        }, $points);
    }

    /** @return list<RecordRow> of a loaded point */
    public function record(StoredPoint $point): array
    {
        return array_map(fn (BucketRow $row) => new RecordRow(
            start: $this->plan->dates->iso($row->start),
            sales: Quantity::format(-$row->sales),
            forecast: Quantity::format(-$row->forecast),
            parts: Quantity::format(-$row->parts),
            out: Quantity::format(-$row->out),
            needed: Quantity::format(-$row->demand()),
            receipts: Quantity::format($this->asExpected ? $row->receiptsExpected : $row->receipts),
            proposals: Quantity::format($this->asExpected ? $row->proposalsExpected : $row->proposalsDue),
            toStart: Quantity::format($row->proposalsStart),
            balance: Quantity::format($this->balance($row)),
            mark: $this->mark($point, $row),
        ), array_slice($this->buckets()->of($point->supplies, $point->demands), 0, self::MOST_PERIODS));
    }

    public function buckets(): Buckets
    {
        return new Buckets($this->size, $this->plan->planDate, $this->plan->dates->day($this->plan->run->horizon_end));
    }

    private function cell(StoredPoint $point, BucketRow $row): GridCell
    {
        return new GridCell(
            $this->plan->dates->iso($row->start), Quantity::format($this->figure->of($row, $this->asExpected)),
            $this->figure === GridFigure::Balance ? $this->mark($point, $row) : BalanceMark::Calm,
            ($this->asExpected ? $row->proposalsExpected : $row->proposalsDue) > 0,
            ($this->asExpected ? $row->receiptsExpected : $row->receipts) > 0,
        );
    }

    private function balance(BucketRow $row): int
    {
        return GridFigure::Balance->of($row, $this->asExpected);
    }

    /** Broken: the period ends below zero. Dip: a day in it does. Look: a day ends below safety stock. */
    private function mark(StoredPoint $point, BucketRow $row): BalanceMark
    {
        $lowest = $this->asExpected ? $row->expectedLowest : $row->lowest;

        return match (true) {
            $this->balance($row) < 0 => BalanceMark::Broken,
            $lowest < 0 => BalanceMark::Dip,
            $lowest < $point->rules->safetyStock => BalanceMark::Look,
            default => BalanceMark::Calm,
        };
    }
}
