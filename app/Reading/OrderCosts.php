<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\OrderLine;
use App\Reading\Shapes\PlannedAndReal;
use App\Support\CostText;
use App\Support\Stored;
use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Quantity\Quantity;

/** What a production order was to take, and what it took so far: material at what its items cost, minutes as they were reported. */
final class OrderCosts
{
    /** Null for what has no components of its own, as its structure says what it needs. */
    public static function of(OrderLine $line): ?PlannedAndReal
    {
        $rows = DB::table('order_components as c')->join('items as i', 'i.code', '=', 'c.item_code')->where('c.order_line_id', $line->id)
            ->get(['c.qty', 'c.issued', 'i.unit_cost']);
        if ($rows->isEmpty()) {
            return null;
        }
        $planned = $issued = BigInteger::zero();
        foreach ($rows as $row) {
            $planned = $planned->plus(BigInteger::of(Stored::int($row->qty))->multipliedBy(Stored::int($row->unit_cost)));
            $issued = $issued->plus(BigInteger::of(Stored::int($row->issued))->multipliedBy(Stored::int($row->unit_cost)));
        }
        $operations = DB::table('order_operations')->where('order_line_id', $line->id)->get(['setup', 'run']);
        $minutes = BigInteger::zero();
        foreach ($operations as $operation) {
            $run = BigInteger::of(Stored::int($operation->run))->multipliedBy($line->qty)->dividedBy(Quantity::ONE, RoundingMode::HALF_UP);
            $minutes = $minutes->plus(Stored::int($operation->setup))->plus($run);
        }
        $reported = DB::table('work_reports')->where('order_code', $line->code)
            ->selectRaw('coalesce(sum(minutes), 0) as minutes, coalesce(sum(scrap), 0) as scrap')->first();

        return new PlannedAndReal(
            material: CostText::ofProduct($planned), issued: CostText::ofProduct($issued),
            minutes: $operations->isEmpty() ? null : (string) $minutes->dividedBy(Quantity::ONE, RoundingMode::HALF_UP),
            reported: Stored::int($reported->minutes ?? 0), scrap: Quantity::format(Stored::int($reported->scrap ?? 0)),
        );
    }
}
