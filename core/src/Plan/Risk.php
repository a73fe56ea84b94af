<?php

declare(strict_types=1);

namespace Yposta\Core\Plan;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Message;
use Yposta\Core\Run\Peg;

/**
 * What late supply puts at risk: the sales lines that are late and wait for it, through any number of levels.
 *
 * Worked out in one pass over the points as they are netted, from what is sold to what is bought: a supply stands in the way of the lines
 * that the late demands it serves stand in the way of, and the inputs of an order of those of the order. Lines are bits of a text, so that
 * joining two sets is one operation however many there are.
 */
final class Risk
{
    /** @var list<Demand> the late sales lines, by the place of their bit */
    private array $late = [];

    /** @var array<int, string> sets by object id of a supply or demand */
    private array $sets = [];

    /** @var array<int, string> sets by point */
    private array $byPoint = [];

    /** @var array<string, array{int, int}> number of lines and their value by set */
    private array $sums = [];

    public function __construct(private readonly Plan $plan)
    {
        foreach ($plan->demands as $demands) {
            foreach ($demands as $demand) {
                $demand->kind->isOrdered() && $demand->lateDays() > 0 && $this->late[] = $demand;
            }
        }
        if ($this->late !== []) {
            $this->pass();
        }
    }

    /** @return list<Demand> the late sales lines that wait for what a message speaks of */
    public function of(Message $message): array
    {
        return $this->lines($this->setOf($message));
    }

    /** How many late sales lines wait for what a message speaks of. */
    public function count(Message $message): int
    {
        return $this->sumsOf($this->setOf($message))[0];
    }

    /** What they are worth at unit cost, in whole units of the currency. */
    public function value(Message $message): int
    {
        return $this->sumsOf($this->setOf($message))[1];
    }

    private function pass(): void
    {
        $own = [];
        $empty = str_repeat("\0", intdiv(count($this->late) + 7, 8));
        foreach ($this->late as $place => $line) {
            $set = $empty;
            $set[$place >> 3] = chr(1 << ($place & 7));
            $own[spl_object_id($line)] = $set;
        }
        $served = $this->comesLate();
        foreach ($this->plan->structure->netting as $point) {
            foreach ($this->plan->demands[$point] ?? [] as $demand) {
                $set = $own[spl_object_id($demand)] ?? ($demand->for === null || $demand->lateDays() === 0
                    ? null
                    : $this->sets[spl_object_id($demand->for)] ?? null);
                if ($set !== null) {
                    $this->sets[spl_object_id($demand)] = $set;
                    $this->byPoint[$point] = self::joined($this->byPoint[$point] ?? null, $set);
                }
            }
            foreach ($served[$point] ?? [] as $peg) {
                $set = $this->sets[spl_object_id($peg->demand)] ?? null;
                if ($set !== null) {
                    $id = spl_object_id($peg->supply);
                    $this->sets[$id] = self::joined($this->sets[$id] ?? null, $set);
                }
            }
        }
    }

    /** @return array<int, list<Peg>> pegs of what is there only after it is needed, by point */
    private function comesLate(): array
    {
        $pegs = [];
        foreach ($this->plan->pegs() as $peg) {
            $peg->supply->available > $peg->demand->date && $peg->demand->lateDays() > 0 && $pegs[$peg->demand->point][] = $peg;
        }

        return $pegs;
    }

    /** The one that stands already where nothing is added to it, so that equal sets are one text in memory. */
    private static function joined(?string $set, string $more): string
    {
        if ($set === null || $set === $more) {
            return $more;
        }
        $joined = $set | $more;

        return $joined === $set ? $set : $joined;
    }

    private function setOf(Message $message): string
    {
        return is_string($message->about)
            ? $this->byPoint[$message->point] ?? ''
            : $this->sets[spl_object_id($message->about)] ?? '';
    }

    /** @return array{int, int} */
    private function sumsOf(string $set): array
    {
        if ($set === '') {
            return [0, 0];
        }
        if (! isset($this->sums[$set])) {
            $value = 0;
            $lines = $this->lines($set);
            foreach ($lines as $line) {
                $value += Summary::value($line->qty, $this->plan->structure->points[$line->point]->item->unitCost);
            }
            $this->sums[$set] = [count($lines), $value];
        }

        return $this->sums[$set];
    }

    /** @return list<Demand> */
    private function lines(string $set): array
    {
        $lines = [];
        for ($byte = 0, $bytes = strlen($set); $byte < $bytes; $byte++) {
            $bits = ord($set[$byte]);
            for ($bit = 0; $bits !== 0; $bit++, $bits >>= 1) {
                if (($bits & 1) === 1) {
                    $lines[] = $this->late[$byte * 8 + $bit];
                }
            }
        }

        return $lines;
    }
}
