<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\ExplanationPeg;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Supply;

/** Which late sales lines wait for what a message speaks of, followed up the stored pegs. */
final readonly class AtRisk
{
    private const MOST_SUPPLIES = 2_000;

    public function __construct(private StoredPlan $plan)
    {
    }

    /** @return list<ExplanationPeg> most days late first */
    public function of(int $message): array
    {
        $row = DB::table('plan_messages')->where('run_id', $this->plan->run->id)->where('n', $message)->first();
        if ($row === null) {
            return [];
        }
        $reference = Reference::parse($row->reference);
        $supplies = DB::table('plan_supplies')->where('run_id', $this->plan->run->id)->where('point', $row->point)
            ->when(in_array(
                $reference->kind,
                [ReferenceKind::Order, ReferenceKind::Proposal],
                true,
            ),
                fn ($query) => $query->where('kind', $reference->kind->value)->where('name', $reference->name))
            ->pluck('n')->map(fn ($n) => (int) $n)->all();
        $lines = $this->above(array_values($supplies));
        usort($lines, fn (Demand $a, Demand $b) => $b->lateDays() <=> $a->lateDays());
        $describe = new Describe($this->plan);

        return array_map(
            fn (Demand $line) => new ExplanationPeg(
                $describe->demand($line),
                (string) trans_choice('{1} 1 day late|[2,*] :count days late', $line->lateDays(), ['count' => $line->lateDays()]),
                Quantity::format($line->qty),
            ),
            $lines,
        );
    }

    /**
     * @param  list<int>  $supplies  numbers
     * @return list<Demand>
     */
    private function above(array $supplies): array
    {
        $lines = [];
        $seen = array_fill_keys($supplies, true);
        while ($supplies !== [] && count($seen) < self::MOST_SUPPLIES) {
            $next = [];
            foreach ($this->plan->pegsOfSupplies($supplies) as $pegs) {
                foreach ($pegs as $peg) {
                    $demand = $peg->demand;
                    if ($demand->lateDays() === 0 || $peg->supply->available <= $demand->date) {
                        continue;
                    }
                    if ($demand->kind->isOrdered()) {
                        $lines[$this->plan->numberOf($demand)] = $demand;
                    } elseif ($demand->for instanceof Supply && ! isset($seen[$number = $this->plan->numberOf($demand->for)])) {
                        $seen[$number] = true;
                        $next[] = $number;
                    }
                }
            }
            $supplies = $next;
        }

        return array_values($lines);
    }
}
