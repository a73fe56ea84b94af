<?php

declare(strict_types=1);

namespace App\Reading;

use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** The open production orders that a customer's next sales lines wait for, followed down the pegs of a plan. */
final class CustomerOrders
{
    /** Supplies that are looked at; what lies below is left out. */
    private const MOST = 1_000;

    private const AT_ONCE = 400;

    /** @return list<string> codes, those nearest to the customer first */
    public static function of(int $run, string $customer, int $most): array
    {
        $demands = DB::table('plan_demands')->where('run_id', $run)->whereIn('kind', StoredPlan::ORDERED)->where('customer', $customer)
            ->orderBy('need')->limit(self::AT_ONCE)->pluck('n');
        $found = $seen = [];
        while ($demands->isNotEmpty() && count($found) < $most && count($seen) < self::MOST) {
            $supplies = self::inPieces($demands, fn (Collection $some) => DB::table('plan_pegs as g')
                ->join('plan_supplies as s', fn ($join) => $join->on('s.run_id', '=', 'g.run_id')->on('s.n', '=', 'g.supply'))
                ->where('g.run_id', $run)->whereIn('g.demand', $some->all())->where('s.kind', '<>', 'stock')->orderBy('s.due')
                ->get(['s.n', 's.kind', 's.type', 's.name']))->unique('n')->reject(fn ($row) => isset($seen[$row->n]));
            foreach ($supplies as $row) {
                $seen[$row->n] = true;
                $row->kind === 'order' && $row->type === 'make' && $found[(string) $row->name] = true;
            }
            $demands = self::inPieces($supplies->pluck('n'), fn (Collection $some) => DB::table('plan_demands')->where('run_id', $run)
                ->whereIn('for_supply', $some->all())->pluck('n'));
        }

        return array_map(strval(...), array_slice(array_keys($found), 0, $most));
    }

    /**
     * @template T
     *
     * @param  Collection<int, mixed>  $numbers
     * @param  callable(Collection<int, mixed>): Collection<int, T>  $read
     * @return Collection<int, T>
     */
    private static function inPieces(Collection $numbers, callable $read): Collection
    {
        return $numbers->chunk(self::AT_ONCE)->flatMap(fn (Collection $some) => $read($some->values())->all())->values();
    }
}
