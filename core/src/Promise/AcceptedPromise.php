<?php

declare(strict_types=1);

namespace Yposta\Core\Promise;

use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Remedy\ProposalOrders;
use Yposta\Core\Run\Peg;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\HoldSupply;
use Yposta\Core\Study\ProposalOrigins;
use Yposta\Core\Study\PutOrder;

/**
 * What accepting a promise writes beside its sales lines: what is proposed to be made for them becomes firm orders in whole, and what
 * serves them is held for them (scheduling rules, section 5).
 */
final readonly class AcceptedPromise
{
    /** As urgent as a sales line that nobody says anything of. */
    private const PRIORITY = 5;

    public function __construct(private PromiseGround $ground, private ProposalOrigins $origins)
    {
    }

    /**
     * What serves the lines is held for them. Where that does not keep their dates, as what is made for them would get other material
     * than the promise found, what serves that is held, too.
     *
     * @param  list<SalesLine>  $lines  with the dates that are promised, and not there yet
     * @return array{list<SalesLine>, list<Change>, list<PromiseHit>} the lines, as urgent as others where that makes none of them later, what
     *    else to write, and who is served later as firm orders do not move as proposals do
     */
    public function of(array $lines): array
    {
        $urgent = array_map(fn (SalesLine $line) => $line->with(priority: min($line->priority, self::PRIORITY)), $lines);
        $best = null;
        foreach ([[$urgent, false], [$lines, false], [$urgent, true], [$lines, true]] as [$tried, $whole]) {
            $changes = $this->changes($tried, $whole);
            [$isServed, $hits] = $this->ground->after([...PromiseGround::put($tried), ...$changes], $tried);
            if ($isServed && $hits === []) {
                return [$tried, $changes, []];
            }
            $worth = [$isServed, -count($hits)];
            $best = $best === null || $worth > $best[0] ? [$worth, [$tried, $changes, $hits]] : $best;
        }

        return $best[1];
    }

    /**
     * @param  list<SalesLine>  $lines
     * @param  bool  $whole  whether the material of what is made is held, too
     * @return list<Change>
     */
    private function changes(array $lines, bool $whole): array
    {
        return $this->ground->read($lines, function (Plan $plan) use ($lines, $whole): array {
            $pegs = new PegIndex($plan);
            $first = $path = [];
            foreach ($lines as $line) {
                $demand = $this->ground->demand($plan, $line);
                $served = $demand === null ? [] : $pegs->serving($demand);
                array_push($first, ...$served);
                foreach ($served as $peg) {
                    $this->follow($peg, $pegs, $path);
                }
            }
            $orders = $this->orders($plan, $path);

            return [...array_values($orders), ...$this->holds($whole ? $path : $first, $orders)];
        });
    }

    /**
     * What is proposed to be made, as firm orders.
     *
     * @param  array<int, Peg>  $path
     * @return array<int, PutOrder> by the proposal's object id
     */
    private function orders(Plan $plan, array $path): array
    {
        $made = new ProposalOrders($plan, $this->origins);
        $orders = [];
        foreach ($path as $peg) {
            $supply = $peg->supply;
            if ($supply->isProposal() && $supply->type === OrderKind::Make) {
                $orders[spl_object_id($supply)] ??= self::pinned($made->of($supply, $supply->due, null, count($orders)));
            }
        }

        return $orders;
    }

    /** Its date is promised: nothing assumes that it is brought in for others, so that they get proposals of their own as before. */
    private static function pinned(PutOrder $put): PutOrder
    {
        return new PutOrder($put->order->with(pinned: true), $put->rows, $put->from);
    }

    /**
     * @param  array<Peg>  $pegs
     * @param  array<int, PutOrder>  $orders  as above
     * @return list<HoldSupply> of stock and orders, the new ones among them
     */
    private function holds(array $pegs, array $orders): array
    {
        $held = [];
        foreach ($pegs as $peg) {
            $for = $peg->demand->for;
            $owner = $for === null ? null : $orders[spl_object_id($for)] ?? null;
            $order = $orders[spl_object_id($peg->supply)] ?? null;
            if (($owner === null && $for !== null && $for->isProposal()) || ($order === null && $peg->supply->isProposal())) {
                continue; // what is proposed to be bought or brought can neither hold nor be held
            }
            $demand = $owner === null ? $peg->demand->reference() : (string) Reference::part($owner->orderCode(), $peg->demand->line);
            $supply = $order === null ? $peg->supply->reference() : (string) Reference::order($order->orderCode());
            $held[$demand][$supply] = ($held[$demand][$supply] ?? 0) + $peg->qty;
        }
        $holds = [];
        foreach ($held as $demand => $supplies) {
            foreach ($supplies as $supply => $qty) {
                $holds[] = new HoldSupply((string) $demand, (string) $supply, $qty);
            }
        }

        return $holds;
    }

    /**
     * The pegs from one on down to what is bought, each once.
     *
     * @param  array<int, Peg>  $found  by object id
     */
    private function follow(Peg $peg, PegIndex $pegs, array &$found): void
    {
        if (isset($found[spl_object_id($peg)])) {
            return;
        }
        $found[spl_object_id($peg)] = $peg;
        foreach ($peg->supply->inputs as $input) {
            foreach ($pegs->serving($input) as $below) {
                $this->follow($below, $pegs, $found);
            }
        }
    }
}
