<?php

declare(strict_types=1);

namespace App\Planning\Read;

use App\Planning\Shapes\FlowRow;
use App\Planning\Shapes\GridCell;
use App\Planning\Shapes\GridRow;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Quantity\Quantity;

/**
 * Lists of the live plan as tables of plain values, as they are filtered on screen and without a limit.
 *
 * @phpstan-type Sheet array{name: string, columns: list<string>, rows: iterable<list<string|int|null>>}
 */
final readonly class Sheets
{
    private const ROWS_AT_ONCE = 200;

    public function __construct(private StoredPlan $plan)
    {
    }

    /** @return Sheet */
    public function proposals(string $site, ?string $until, string $text): array
    {
        return [
            'name' => 'proposals',
            'columns' => ['proposal', 'kind', 'item', 'name', 'site', 'from_site', 'supplier', 'qty', 'unit', 'start', 'wanted', 'due', 'expected', 'value', 'currency', 'for_sales_pct', 'for_forecast_pct'],
            'rows' => $this->proposalRows($site, $until, $text),
        ];
    }

    /** @return iterable<list<string|int|null>> */
    private function proposalRows(string $site, ?string $until, string $text): iterable
    {
        $list = new ProposalList($this->plan);
        foreach ($list->all($list->query($site, $until, $text)) as $row) {
            yield [
                $row->number, $row->kind, $row->item, $row->name, $row->site, $row->fromSite, $row->supplier, $row->qty, $row->unit, $row->start, $row->wanted, $row->due, $row->expected,
                $row->value, $row->currency, intdiv($row->causes->sales, 10), intdiv($row->causes->forecast, 10),
            ];
        }
    }

    /** @return Sheet */
    public function messages(string $site): array
    {
        $rows = DB::table('plan_messages as m')->join('plan_points as p', fn ($join) => $join->on('p.run_id', '=', 'm.run_id')->on('p.n', '=', 'm.point'))
            ->where('m.run_id', $this->plan->run->id)->when($site !== '', fn ($query) => $query->where('p.site_code', $site))->orderBy('m.code')->orderBy('m.n')
            ->select(['m.*', 'p.item_code', 'p.site_code'])->lazy(self::ROWS_AT_ONCE);

        return [
            'name' => 'messages',
            'columns' => ['code', 'reference', 'item', 'site', 'from', 'to', 'qty', 'text'],
            'rows' => $rows->map(fn ($row) => [
                $row->code, $row->reference, $row->item_code, $row->site_code, $row->from_date === null ? null : substr($row->from_date, 0, 10), $row->to_date === null ? null : substr($row->to_date, 0, 10),
                Quantity::format((int) $row->qty), $row->text,
            ]),
        ];
    }

    /** @return Sheet */
    public function grid(GridFilter $filter, BucketSize $size, bool $asExpected): array
    {
        $grid = new PlanGrid($this->plan, $size, $asExpected);

        return ['name' => 'plan', 'columns' => ['item', 'name', 'site', 'unit', 'supply', ...$grid->periods()], 'rows' => $this->gridRows($grid, $filter)];
    }

    /** @return iterable<list<string|int|null>> */
    private function gridRows(PlanGrid $grid, GridFilter $filter): iterable
    {
        for ($offset = 0; ($rows = $grid->rows($filter, $offset, self::ROWS_AT_ONCE)) !== []; $offset += self::ROWS_AT_ONCE) {
            foreach ($rows as $row) {
                yield self::gridRow($row);
            }
        }
    }

    /** @return list<string|int|null> */
    private static function gridRow(GridRow $row): array
    {
        return [$row->item, $row->name, $row->site, $row->unit, $row->supply, ...array_map(fn (GridCell $cell) => $cell->balance, $row->cells)];
    }

    /** @return Sheet */
    public function flow(StoredPoint $point, bool $asExpected): array
    {
        $detail = (new PointView($this->plan, $asExpected))->detail($point, BucketSize::Week);

        return [
            'name' => "flow {$point->item} {$point->site}",
            'columns' => ['date', 'kind', 'what', 'note', 'days_late', 'qty', 'balance'],
            'rows' => array_map(fn (FlowRow $row) => [$row->date, $row->kind, $row->what->label, $row->note, $row->lateDays, $row->qty, $row->balance], $detail->flow),
        ];
    }
}
