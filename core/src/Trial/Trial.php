<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

use Yposta\Core\NetChange\NetChange;
use Yposta\Core\Network\Network;
use Yposta\Core\Options;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Planner;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Structure\LoopFound;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\DoesNotFit;

/**
 * A plan to try changes on: plans with them, tells what they do, and goes back to where it stood.
 *
 * It goes from network to network by net change, so that a try costs what the change reaches and not a whole run. Plans and their
 * elements are handed out to read at once and are of no use afterwards; what is kept of them are {@see Facts}.
 */
final class Trial
{
    private Plan $plan;

    private Facts $facts;

    /** @throws QuantityOutOfRange|LoopFound */
    public function __construct(private Network $network, private readonly Options $options)
    {
        $this->plan = (new Planner)->plan($network, $options);
        $this->facts = Facts::of($this->plan);
    }

    public function network(): Network
    {
        return $this->network;
    }

    public function facts(): Facts
    {
        return $this->facts;
    }

    /**
     * Tries a list of lines, each some changes that belong together; lines that do not fit are left out as a whole.
     *
     * @param  array<int, list<Change>>  $lines
     */
    public function tries(array $lines): Tried
    {
        $own = $troubles = [];
        $network = $this->network;
        $before = $this->facts;
        foreach ($lines as $place => $changes) {
            try {
                $network = $this->goTo((new Changes($changes))->apply($network));
                $after = Facts::of($this->plan);
                $own[$place] = Effect::between($before, $after);
                $before = $after;
            } catch (DoesNotFit $trouble) {
                $troubles[$place] = $trouble->getMessage();
            }
        }
        $this->goTo($this->network);

        return new Tried(Effect::between($this->facts, $before), $own, $troubles);
    }

    /**
     * What a list of changes does as a whole.
     *
     * @param  list<Change>  $changes
     *
     * @throws DoesNotFit when one does not
     */
    public function effect(array $changes): Effect
    {
        return $this->with($changes, fn (Plan $plan) => Effect::between($this->facts, Facts::of($plan)));
    }

    /**
     * Reads something from the plan with changes.
     *
     * @template T
     *
     * @param  list<Change>  $changes
     * @param  callable(Plan): T  $read  keeps nothing of the plan
     * @return T
     *
     * @throws DoesNotFit when a change does not
     */
    public function with(array $changes, callable $read): mixed
    {
        $this->goTo((new Changes($changes))->apply($this->network));
        try {
            return $read($this->plan);
        } finally {
            $this->goTo($this->network);
        }
    }

    /**
     * From here on, everything is tried on top of this network.
     *
     * @throws DoesNotFit when it cannot be planned
     */
    public function settle(Network $network): void
    {
        $this->goTo($network);
        $this->network = $network;
        $this->facts = Facts::of($this->plan);
    }

    /** @throws DoesNotFit when it cannot be planned; the plan then stands where it stood */
    private function goTo(Network $network): Network
    {
        if ($network !== $this->plan->network) {
            $stood = $this->plan->network;
            try {
                $this->plan = NetChange::plan($this->plan, $network);
            } catch (QuantityOutOfRange $trouble) {
                $this->plan = (new Planner)->plan($stood, $this->options);
                throw new DoesNotFit($trouble->getMessage());
            }
        }

        return $network;
    }
}
