<?php

declare(strict_types=1);

namespace Yposta\Core\Trial;

use Yposta\Core\NetChange\NetChange;
use Yposta\Core\Network\Network;
use Yposta\Core\Options\Options;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Planner;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Structure\LoopFound;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\DoesNotFit;

/**
 * A plan to try changes on: plans with them, and tells what they do.
 *
 * It goes from network to network by net change, so that a try costs what the change reaches and not a whole run. It stays where the last
 * try left it until something else is asked: whoever answers one question and is gone never goes back. Plans and their
 * elements are handed out to read at once and are of no use afterwards; what is kept of them are {@see Outcome}.
 */
final class Trial
{
    private Plan $plan;

    /** Of the network that things are tried on; worked out when it is asked for. */
    private ?Outcome $outcome = null;

    /** Of the plan where it stood when it was last asked for. */
    private ?Outcome $standing = null;

    /** @var array<int, true>|null points that differ since; null for all */
    private ?array $since = null;

    /** @throws QuantityOutOfRange|LoopFound */
    public function __construct(
        private Network $network,
        private readonly Options $options,
        private readonly Planner $planner = new Planner,
    ) {
        $this->plan = $planner->plan($network, $options);
    }

    public function network(): Network
    {
        return $this->network;
    }

    /** What stands before anything is tried. Not to be asked for within {@see with()}, where the plan stands elsewhere. */
    public function outcome(): Outcome
    {
        if ($this->outcome === null) {
            $this->goTo($this->network);
            $this->outcome = $this->standing();
        }

        return $this->outcome;
    }

    /** What came of the changes that are being tried, within {@see with()}. */
    public function standing(): Outcome
    {
        if ($this->standing === null || $this->since !== []) {
            $this->standing = $this->standing === null || $this->since === null
                ? Outcome::of($this->plan)
                : $this->standing->after($this->plan, $this->since);
            $this->since = [];
        }

        return $this->standing;
    }

    /**
     * Tries a list of lines, each some changes that belong together; lines that do not fit are left out as a whole.
     *
     * @param  list<list<Change>>  $lines
     * @param  TriedLines|null  $known  what was found when they were tried before on the same network: as many as the list begins with are
     *    not tried again
     */
    public function tries(array $lines, ?TriedLines $known = null): Tried
    {
        $base = $before = $this->outcome();
        $known = ($known ?? TriedLines::none())->upTo($lines);
        $network = $known->apply($this->network);
        if ($known->lines !== []) {
            $this->goTo($network);
            $before = $this->standing();
        }
        for ($place = count($known->lines); $place < count($lines); $place++) {
            try {
                $network = $this->goTo((new Changes($lines[$place]))->apply($network));
                $after = $this->standing();
                $known = $known->with($lines[$place], Effect::between($before, $after), null);
                $before = $after;
            } catch (DoesNotFit $trouble) {
                $known = $known->with($lines[$place], null, $trouble->phrase());
            }
        }

        return new Tried(Effect::between($base, $before), $known);
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
        $before = $this->outcome();

        return $this->with($changes, fn () => Effect::between($before, $this->standing()));
    }

    /**
     * Reads something from the plan with changes.
     *
     * @template T
     *
     * @param  list<Change>  $changes
     * @param  callable(Plan): T  $read  keeps nothing of the plan
     * @param  bool  $numbers  whether it reads the numbers of proposals
     * @return T
     *
     * @throws DoesNotFit when a change does not
     */
    public function with(array $changes, callable $read, bool $numbers = true): mixed
    {
        $this->goTo((new Changes($changes))->apply($this->network), $numbers);

        return $read($this->plan);
    }

    /**
     * Reads something from the plan where the last try has left it, within what it was tried in.
     *
     * @template T
     *
     * @param  callable(Plan): T  $read  keeps nothing of the plan
     * @return T
     */
    public function here(callable $read): mixed
    {
        return $read($this->plan);
    }

    /**
     * Does something that is tried on top of another network, and comes back.
     *
     * @template T
     *
     * @param  callable(): T  $do
     * @return T
     *
     * @throws DoesNotFit when it cannot be planned
     */
    public function within(Network $network, callable $do): mixed
    {
        $stood = [$this->network, $this->outcome];
        $this->settle($network);
        try {
            return $do();
        } finally {
            [$this->network, $this->outcome] = $stood;
        }
    }

    /**
     * From here on, everything is tried on top of this network.
     *
     * @throws DoesNotFit when it cannot be planned
     */
    public function settle(Network $network): void
    {
        if ($network !== $this->network) {
            $this->goTo($network);
            $this->network = $network;
            $this->outcome = null;
        }
    }

    /** @throws DoesNotFit when it cannot be planned; the plan then stands where it stood */
    private function goTo(Network $network, bool $numbers = true): Network
    {
        if ($network !== $this->plan->network) {
            $stood = $this->plan->network;
            try {
                $this->plan = NetChange::plan($this->plan, $network, $numbers);
                $this->since = $this->since === null || $this->plan->renewed === null ? null : $this->since + $this->plan->renewed;
            } catch (QuantityOutOfRange|LoopFound $trouble) {
                [$this->standing, $this->since] = [null, null];
                $this->plan = $this->planner->plan($stood, $this->options);
                throw new DoesNotFit($trouble->phrase(), $trouble);
            }
        }

        $numbers && $this->plan->work->number();

        return $network;
    }
}
