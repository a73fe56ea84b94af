<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\Dates;
use App\Reading\Shapes\SalesRow;
use App\Reading\Shapes\SalesRows;
use App\Reading\Shapes\Strip;
use App\Support\Settings;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;

/** Sales lines with their cover. */
final readonly class DemandView
{
    private Dates $dates;

    public function __construct(private ?StoredPlan $plan)
    {
        $this->dates = new Dates;
    }

    /** Names of the columns that the sales lines can be sorted by, and what they are sorted by. */
    public const SORTED = [
        'order' => 'l.order_code', 'customer' => 'l.customer', 'item' => 'l.item_code', 'site' => 'l.site_code',
        'open' => 'l.qty - l.shipped', 'due' => 'l.due', 'priority' => 'l.priority', 'cover' => 'd.uncovered', 'expected' => 'd.expected',
        'late' => 'case when d.original_date is null then d.late_days else 100000 + d.late_days end',
    ];

    /**
     * Open sales lines, by due date or as asked; with the cover that the live plan gives them.
     *
     * @param  int  $from  place in the list
     */
    public function sales(SalesFilter $filter, ListOrder $order, int $from = 0, int $rows = ListOrder::ROWS): SalesRows
    {
        ['site' => $site, 'text' => $text, 'late' => $onlyLate, 'by' => $by] = get_object_vars($filter);
        $query = DB::table('sales_lines as l')->whereColumn('l.shipped', '<', 'l.qty')
            ->where(fn (Builder $query) => $query->whereNull('l.held_until')->orWhere('l.held_until', '>=', Settings::planDate()))
            ->when($site !== '', fn (Builder $query) => $query->where('l.site_code', $site))
            ->when($text !== '', fn (Builder $query) => TextMatch::in($query, ['l.order_code', 'l.customer', 'l.item_code'], $text));
        $all = (clone $query)->count();
        $query->join('items as i', 'i.code', '=', 'l.item_code')
            ->leftJoin('plan_demands as d', fn (JoinClause $join) => $join->on('d.name', '=', 'l.order_code')->on('d.line', '=', 'l.line')
                ->where('d.run_id', $this->plan->run->id ?? 0)->where('d.kind', 'sales'));
        $late = StoredPlan::late(clone $query)->count();
        $onlyLate && StoredPlan::late($query);
        $total = $onlyLate ? $late : $all;
        $by !== '' && $by !== 'week' && $query->orderBy(self::SORTED[$by]);
        $by === 'week' && $query->orderByRaw(self::weekOf('l.due'));
        $lines = $order->apply($query, self::SORTED)
            ->orderBy('l.due')->orderBy('l.priority')->orderBy('l.order_code')->orderBy('l.id')
            ->offset($from)->limit($rows)->get(['l.*', 'i.name', 'i.unit', 'i.decimals', 'd.n']);
        $shown = array_values($lines->pluck('n')->filter(fn ($n) => $n !== null)->map(fn ($n) => (int) $n)->all());
        $pegs = $this->plan === null ? [] : $this->plan->pegsOfDemands($shown);

        return new SalesRows(array_values($lines->map(fn (stdClass $line) => $this->line($line, $pegs, $by))->all()), $total, $late);
    }

    /** The Monday of a day, in both databases. */
    private static function weekOf(string $column): string
    {
        return DB::getDriverName() === 'pgsql'
            ? "date_trunc('week', {$column}::date)"
            : "date({$column}, '-6 days', 'weekday 1')";
    }

    /** @param  array<int, list<Peg>>  $pegs  by number of the demand */
    private function line(stdClass $line, array $pegs, string $by): SalesRow
    {
        $due = substr($line->due, 0, 10);
        $demand = $line->n === null ? null : $this->plan?->demandNumbered((int) $line->n);

        return new SalesRow(
            reference: (string) Reference::sales($line->order_code, $line->line),
            order: $line->order_code,
            line: $line->line,
            customer: $line->customer,
            item: $line->item_code,
            name: $line->name,
            site: $line->site_code,
            unit: $line->unit,
            decimals: (int) $line->decimals,
            open: Quantity::format((int) $line->qty - (int) $line->shipped),
            shipped: Quantity::format((int) $line->shipped),
            due: $due,
            priority: (int) $line->priority,
            expected: $this->dates->isoOrNull($demand?->expected),
            lateDays: $demand?->daysPastDue() ?? 0,
            reason: $demand === null ? null : $this->plan->holdUpOf($demand) ?? self::passed($demand),
            strip: $demand === null ? null : $this->strip($demand, $pegs[(int) $line->n] ?? []),
            heldUntil: $line->held_until === null ? null : substr($line->held_until, 0, 10),
            answered: $line->answered === null ? null : substr($line->answered, 0, 10),
            group: match ($by) {
                'customer' => $line->customer,
                'item' => "{$line->item_code} {$line->name}",
                'site' => $line->site_code,
                'week' => Day::format(Day::weekStart(Day::parse($due))),
                default => '',
            },
        );
    }

    /** Why a line is late that waits for nothing any more. */
    private static function passed(Demand $demand): ?string
    {
        return $demand->originalDate === null ? null : (string) trans('its date has passed');
    }

    /** @param  list<Peg>  $pegs */
    private function strip(Demand $demand, array $pegs): ?Strip
    {
        return $this->plan === null ? null : (new Describe($this->plan))->strip($demand, $pegs);
    }
}
