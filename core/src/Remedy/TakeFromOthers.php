<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Peg;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\FreeSupply;
use Yposta\Core\Study\HoldSupply;
use Yposta\Core\Support\Phrase;

/** Supply in time that serves less urgent needs of the same point is held for this one. */
final readonly class TakeFromOthers extends Remedy
{
    /** How many needs at most are asked to give up what they hold, each a remedy of its own. */
    private const DONORS = 4;

    /**
     * @param  non-empty-list<Change>  $changes
     * @param  list<string>  $donors  what gives it up, by name; proposals have none
     */
    private function __construct(array $changes, public string $about, public Amount $qty, public array $donors, public string $supply)
    {
        parent::__construct($changes);
    }

    /** @return list<self> lower priority first, then the later date */
    public static function find(Situation $in): array
    {
        $donations = self::donations($in);
        $found = [];
        foreach (array_slice($donations, 0, self::DONORS) as $given) {
            $found[] = self::of($in, $given);
        }
        $enough = array_sum(array_map(fn (Peg $peg) => $peg->qty, $donations[0] ?? [])) >= $in->need->short;
        if (! $enough && count($donations) > 1) {
            $found[] = self::of($in, array_merge(...$donations));
        }

        return array_values(array_filter($found));
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::TakeFrom;
    }

    public function about(): array
    {
        return [$this->about];
    }

    protected function values(): array
    {
        return [
            'qty' => $this->qty,
            'supply' => Reference::tryParse($this->supply)?->kind === ReferenceKind::Stock
                ? new Phrase('named.stock_here')
                : HoldSupply::named($this->supply),
            'from' => $this->donors === []
                ? new Phrase('named.less_urgent')
                : new Phrase('named.other', ['name' => implode(', ', $this->donors)]),
        ];
    }

    /** @return list<non-empty-list<Peg>> what each less urgent need gets in time, the least urgent first */
    private static function donations(Situation $in): array
    {
        $demand = $in->need->demand;
        $donations = [];
        foreach ($in->plan->supplies[$demand->point] ?? [] as $supply) {
            if ($supply->isProposal() || $supply->available > $demand->date) {
                continue;
            }
            foreach ($in->pegs->servedBy($supply) as $peg) {
                $other = $peg->demand;
                $lessUrgent = $other->kind === DemandKind::Safety
                    || $other->priority > $demand->priority
                    || ($other->priority === $demand->priority && $other->date >= $demand->date);
                if ($other !== $demand && $lessUrgent && $other->for?->released !== true) {
                    $donations[spl_object_id($other)][] = $peg;
                }
            }
        }
        usort($donations, fn (array $a, array $b) => self::urgency($b[0]->demand) <=> self::urgency($a[0]->demand));

        return $donations;
    }

    /** @return array{int, int} the lower, the more urgent */
    private static function urgency(Demand $demand): array
    {
        return $demand->date === null ? [10, PHP_INT_MAX] : [$demand->priority, $demand->date];
    }

    /** @param  array<Peg>  $given  by whom it is given up, the least urgent first */
    private static function of(Situation $in, array $given): ?self
    {
        $need = $in->need;
        $left = $need->short;
        $taken = $names = $freed = [];
        foreach ($given as $peg) {
            $part = min($left, $peg->qty);
            if ($part > 0) {
                $reference = $peg->supply->reference();
                $taken[$reference] = ($taken[$reference] ?? 0) + $part;
                $names[self::nameOf($peg->demand)] = true;
                array_push($freed, ...self::givenUp($in->plan->network, $peg, $part));
                $left -= $part;
            }
        }
        [$changes, $order] = $need->demand->isOfProposal() && $need->demand->for !== null ? $in->asOrder($need->demand->for) : [[], ''];
        $about = $order === ''
            ? $need->demand->reference()
            : (string) Reference::of($need->demand->kind->referenceKind(), $order, $need->demand->line);
        foreach ($in->pegs->serving($need->demand) as $peg) {
            isset($taken[$peg->supply->reference()]) && $taken[$peg->supply->reference()] += $peg->qty;
        }
        array_push($changes, ...$freed);
        foreach ($taken as $reference => $qty) {
            $changes[] = new HoldSupply($about, $reference, $qty);
        }

        return $changes === []
            ? null
            : new self(
                $changes, $about, $in->amount($need->short - $left),
                array_values(array_filter(array_map(strval(...), array_keys($names)), fn (string $name) => $name !== '')),
                (string) array_key_first($taken),
            );
    }

    /**
     * What lessens a hold that someone has on what is taken.
     *
     * @return list<Change>
     */
    private static function givenUp(Network $network, Peg $peg, int $qty): array
    {
        $held = array_values(array_filter(
            $network->allocations,
            fn (Allocation $held) => $held->demand === $peg->demand->reference() && $held->supply === $peg->supply->reference(),
        ))[0] ?? null;

        return match (true) {
            $held === null => [],
            $held->qty > $qty => [new HoldSupply($held->demand, $held->supply, $held->qty - $qty)],
            default => [new FreeSupply($held->demand, $held->supply)],
        };
    }

    private static function nameOf(Demand $demand): string
    {
        return $demand->kind->isOrdered()
            ? Reference::tryParse($demand->reference())->name ?? ''
            : ($demand->isOfProposal() ? '' : $demand->name);
    }
}
