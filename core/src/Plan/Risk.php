<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Message;
use Yposta\Core\Run\Peg;

/**
 * What late supply puts at risk: the sales lines that are late and wait for it, through any number of levels.
 *
 * Followed from each late sales line down to every supply that comes after it is needed.
 */
final class Risk
{
    /** @var array<int, array<int, Demand>> late sales lines by object id of a supply or demand */
    private array $lines = [];

    /** @var array<int, array<int, Demand>> late sales lines by point */
    private array $byPoint = [];

    /** @var array<int, list<Peg>> by object id of the demand */
    private array $pegs = [];

    public function __construct(private readonly Plan $plan)
    {
        $late = [];
        foreach ($plan->demands as $demands) {
            foreach ($demands as $demand) {
                $demand->kind === DemandKind::Sales && $demand->lateDays() > 0 && $late[] = $demand;
            }
        }
        if ($late === []) {
            return;
        }
        foreach ($plan->pegs as $peg) {
            $peg->demand->lateDays() > 0 && $this->pegs[spl_object_id($peg->demand)][] = $peg;
        }
        foreach ($late as $line) {
            $this->follow($line);
        }
    }

    /** @return list<Demand> the late sales lines that wait for what a message speaks of */
    public function of(Message $message): array
    {
        return array_values(is_string($message->about)
            ? $this->byPoint[$message->point] ?? []
            : $this->lines[spl_object_id($message->about)] ?? []);
    }

    /**
     * What sales lines are worth at unit cost, in whole units of the currency.
     *
     * @param  list<Demand>  $lines
     */
    public function value(array $lines): int
    {
        return array_sum(array_map(
            fn (Demand $line) => Summary::value($line->qty, $this->plan->structure->points[$line->point]->item->unitCost),
            $lines,
        ));
    }

    private function follow(Demand $line): void
    {
        $number = spl_object_id($line);
        $waiting = [$line];
        while (($demand = array_pop($waiting)) !== null) {
            $this->lines[spl_object_id($demand)][$number] = $line;
            $this->byPoint[$demand->point][$number] = $line;
            foreach ($this->pegs[spl_object_id($demand)] ?? [] as $peg) {
                $supply = $peg->supply;
                if ($supply->available <= $demand->date || isset($this->lines[spl_object_id($supply)][$number])) {
                    continue;
                }
                $this->lines[spl_object_id($supply)][$number] = $line;
                foreach ($supply->inputs as $input) {
                    $input->lateDays() > 0 && $waiting[] = $input;
                }
            }
        }
    }
}
