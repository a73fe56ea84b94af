<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\FlowRow;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Plan\ConversionDate;
use Yposta\Core\Quantity\Quantity;

/**
 * Lists of the live plan as tables of plain values, as they are filtered on screen and without a limit.
 *
 * @phpstan-type Sheet array{name: string, columns: array<string, 'text'|'number'|'date'>, rows: iterable<list<string|int|null>>}
 */
final readonly class Sheets
{
    public function __construct(private StoredPlan $plan)
    {
    }

    /** @return Sheet */
    public function proposals(ProposalFilter $filter): array
    {
        return [
            'name' => 'proposals',
            'columns' => [
                'proposal' => 'number', 'kind' => 'text', 'item' => 'text', 'name' => 'text', 'site' => 'text',
                'from_site' => 'text', 'supplier' => 'text', 'qty' => 'number', 'unit' => 'text', 'start' => 'date',
                'wanted' => 'date', 'due' => 'date', 'expected' => 'date', 'value' => 'number', 'currency' => 'text',
                'for_sales_pct' => 'number', 'for_forecast_pct' => 'number',
            ],
            'rows' => $this->proposalRows($filter),
        ];
    }

    /** @return iterable<list<string|int|null>> */
    private function proposalRows(ProposalFilter $filter): iterable
    {
        $currencies = DB::table('suppliers')->pluck('currency', 'code')->map(fn ($currency) => (string) $currency)->all();
        $dates = $this->plan->dates;
        $bringInDays = (int) ($this->plan->run->parameters['bringInDays'] ?? 0);
        $rows = (new OpenProposals($this->plan, $filter))->query()->join('items as i', 'i.code', '=', 'p.item_code')
            ->orderBy('s.start')->orderBy('p.item_code')->orderBy('s.n')
            ->select(['s.*', 'p.item_code', 'p.site_code', 'i.name as item_name', 'i.unit'])->cursor();
        foreach ($rows as $row) {
            $proposal = $this->plan->hydrated($row);
            yield [
                (int) $proposal->name, $proposal->type?->value, $row->item_code, $row->item_name, $row->site_code, $proposal->fromSite,
                $proposal->supplier, Quantity::format($proposal->qty), $row->unit, $dates->iso($proposal->start),
                $dates->iso($proposal->reason->wanted ?? $proposal->due), $dates->iso(ConversionDate::of($proposal, $bringInDays)),
                $dates->iso($proposal->available), $row->cost === null ? null : (string) $row->cost,
                $proposal->supplier === null ? '' : $currencies[$proposal->supplier],
                intdiv((int) $row->for_sales, 10_000), intdiv((int) $row->for_forecast, 10_000),
            ];
        }
    }

    /**
     * @param  Builder  $query  of {@see MessageList::query()}
     * @return Sheet
     */
    public function messages(Builder $query): array
    {
        $rows = $query->orderBy('m.code')->orderBy('m.n')->select(['m.*', 'p.item_code', 'p.site_code'])->cursor();

        return [
            'name' => 'messages',
            'columns' => [
                'code' => 'text', 'reference' => 'text', 'item' => 'text', 'site' => 'text', 'from' => 'date', 'to' => 'date',
                'qty' => 'number', 'late_lines' => 'number', 'at_risk' => 'number', 'text' => 'text',
            ],
            'rows' => $rows->map(fn ($row) => [
                $row->code, $row->reference, $row->item_code, $row->site_code,
                $row->from_date === null ? null : substr($row->from_date, 0, 10),
                $row->to_date === null ? null : substr($row->to_date, 0, 10),
                Quantity::format((int) $row->qty), (int) $row->risk_lines, (int) $row->risk_value, $row->text,
            ]),
        ];
    }

    /** @return Sheet */
    public function grid(GridFilter $filter, BucketSize $size, bool $asExpected, GridFigure $figure): array
    {
        $grid = new PlanGrid($this->plan, $size, $asExpected, $figure);

        return [
            'name' => $figure === GridFigure::Balance ? 'plan' : "plan-{$figure->value}",
            'columns' => [
                'item' => 'text', 'name' => 'text', 'site' => 'text', 'unit' => 'text', 'supply' => 'text',
                ...array_fill_keys($grid->periods(), 'number'),
            ],
            'rows' => $this->gridRows($grid, $filter),
        ];
    }

    /** @return iterable<list<string|int|null>> */
    private function gridRows(PlanGrid $grid, GridFilter $filter): iterable
    {
        foreach ($grid->figures($filter) as [$point, $figures]) {
            yield [$point->item, $point->name, $point->site, $point->unit, $point->supply->value, ...$figures];
        }
    }

    /** @return Sheet */
    public function flow(StoredPoint $point, bool $asExpected): array
    {
        $detail = (new PointView($this->plan, $asExpected))->detail($point, BucketSize::Week);

        return [
            'name' => "flow {$point->item} {$point->site}",
            'columns' => [
                'date' => 'date', 'kind' => 'text', 'what' => 'text', 'note' => 'text', 'days_late' => 'number',
                'qty' => 'number', 'balance' => 'number',
            ],
            'rows' => array_map(
                fn (FlowRow $row) => [
                    $row->date, $row->kind->value, $row->what->label, $row->note, $row->lateDays, $row->qty, $row->balance,
                ],
                $detail->flow,
            ),
        ];
    }
}
