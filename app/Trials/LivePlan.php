<?php

declare(strict_types=1);

namespace App\Trials;

use App\Models\Run;
use App\Planning\LiveNetwork;
use App\Planning\RunLimits;
use App\Planning\RunParameters;
use App\Support\Refused;
use App\Support\Settings;
use Yposta\Core\Network\Network;
use Yposta\Core\Options\InvalidOptions;
use Yposta\Core\Options\Options;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Promise\PromiseGround;
use Yposta\Core\Promise\ShopGround;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Structure\LoopFound;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Trial\Trial;

/**
 * Where changes are tried: the live data planned with the live plan's parameters, kept as long as the process lives and brought up to
 * date when the data have moved.
 */
final class LivePlan
{
    private ?Trial $trial = null;

    private ?Options $options = null;

    /** The plan without the dates of the shop, where the live one has them. */
    private ?Trial $plain = null;

    private ?Options $plainFor = null;

    /** The shop as it stands in it, worked out beforehand. */
    private ?ShopGround $shop = null;

    /** Of the plan, or of the data that could not be planned. */
    private string $stamp = '';

    /** As it was found when it was looked last. */
    private string $now = '';

    private ?Run $run = null;

    private string $planDate = '';

    private ?int $data = null;

    /** Why the data cannot be planned, so that it is not tried for each question. */
    private ?Refused $trouble = null;

    public function __construct(private readonly LiveNetwork $source)
    {
    }

    /** The live data, whether or not they can be planned. */
    public function network(): Network
    {
        return $this->source->read($this->data);
    }

    /** Why there is no plan to try on; null when there is one. */
    public function trouble(): ?Refused
    {
        try {
            $this->live();
        } catch (Refused $trouble) {
            return $trouble;
        }

        return null;
    }

    /** Looks whether the data, the run or the day have changed. Called once for each question, so that all of it speaks of one state. */
    public function look(): void
    {
        $this->run = Run::live();
        $this->planDate = Settings::planDate();
        $this->data = $this->source->stamp();
        $this->now = "{$this->data}:{$this->run?->id}:{$this->planDate}";
    }

    /** What the plan is made of: while it stays, so does the plan. */
    public function stamp(): string
    {
        $this->now === '' && $this->look();

        return $this->now;
    }

    /** @throws Refused when there is no plan yet, or the data cannot be planned */
    public function live(): Trial
    {
        $stamp = $this->stamp();
        $run = $this->run ?? throw Refused::because('plan.none', [], 'no plan');
        if ($this->trouble !== null && $stamp === $this->stamp) {
            throw $this->trouble;
        }
        if ($this->trial === null || $stamp !== $this->stamp) {
            $options = $this->optionsOf($run);
            $network = $this->source->read($this->data);
            gc_disable(); // a plan is one large web of objects that live on
            try {
                if ($this->trial === null || $options != $this->options) {
                    $this->trial = null;
                    $this->trial = new Trial($network, $options, RunLimits::planner());
                } else {
                    $this->trial->settle($network);
                }
            } catch (LoopFound|QuantityOutOfRange|DoesNotFit $trouble) {
                $this->trial = null;
                $this->stamp = $stamp;
                throw $this->trouble = Refused::because('plan.broken', ['trouble' => $trouble->phrase()], 'data');
            }
            [$this->stamp, $this->options, $this->trouble] = [$stamp, $options, null];
            $this->trial->outcome(); // now rather than in each process that is forked off for a question
        }

        return $this->trial;
    }

    /**
     * Does something with what promises are planned on: the live data, without a draft and without the dates of the shop.
     *
     * @template T
     *
     * @param  callable(Network): Network  $aside  takes away what is asked for
     * @param  bool  $withShop  whether the shop must have room; it stands as the live plan has it
     * @param  callable(PromiseGround): T  $do
     * @return T
     *
     * @throws Refused when there is no plan
     */
    public function promising(callable $aside, bool $withShop, callable $do): mixed
    {
        $trial = $this->plain();
        $options = $this->plainOptions();
        $network = $aside($trial->network());
        $ask = function () use ($trial, $network, $options, $withShop, $do): mixed {
            $shop = $withShop ? $this->shopOf($trial, $network, $options) : null;

            return $do(new PromiseGround($trial, $options, $shop, new ForkedSearch));
        };
        try {
            return $trial->within($network, $ask);
        } catch (DoesNotFit $trouble) {
            throw Refused::because('promise.unfit', ['trouble' => $trouble->phrase()], 'fit');
        }
    }

    /** Works out beforehand what promises are planned on, for processes that are forked off; nothing may be tried in this one. */
    public function readyToPromise(): void
    {
        if ($this->trouble() === null) {
            $trial = $this->plain();
            $this->shop?->network === $trial->network() || $this->shop = $trial->with(
                [], fn (Plan $plan) => ShopGround::asItStands($plan, $this->plainOptions()->scheduleDays),
            );
        }
    }

    /** The shop of a network that a trial is within; where it is the live one, it may have been worked out beforehand. */
    private function shopOf(Trial $trial, Network $network, Options $options): ShopGround
    {
        return $this->shop?->network === $network
            ? $this->shop
            : $trial->with([], fn (Plan $plan) => ShopGround::asItStands($plan, $options->scheduleDays));
    }

    /** The live plan without the dates of the shop. */
    private function plain(): Trial
    {
        $trial = $this->live();
        if ($this->options?->schedule !== true) {
            return $trial;
        }
        $options = $this->plainOptions();
        if ($this->plain === null || $options != $this->plainFor) {
            $this->plain = new Trial($trial->network(), $options, RunLimits::planner());
            $this->plainFor = $options;
        }
        $this->plain->settle($trial->network());

        return $this->plain;
    }

    private function plainOptions(): Options
    {
        return ($this->options ?? throw Refused::because('plan.none', [], 'no plan'))->with(schedule: false);
    }

    /**
     * The live data with a draft's lines, as far as they fit; the tray says which do not.
     *
     * @param  list<list<Change>>  $lines
     */
    public function networkWith(array $lines): Network
    {
        $network = $this->network();
        foreach ($lines as $changes) {
            try {
                $network = (new Changes($changes))->apply($network);
            } catch (DoesNotFit) {
                continue;
            }
        }

        return $network;
    }

    /**
     * Does something on top of a draft's lines, as far as they fit, or of a study's.
     *
     * @template T
     *
     * @param  list<list<Change>>  $lines
     * @param  callable(Trial): T  $do
     * @param  array<string, mixed>  $parameters  in which a study differs from the live plan; a whole plan is made with them
     * @return T
     *
     * @throws Refused when what is done does not fit, or there is no plan with these lines
     */
    public function drafted(array $lines, callable $do, array $parameters = []): mixed
    {
        if ($parameters !== [] && $this->run !== null) {
            return $do($this->mended($lines, $this->run, $parameters));
        }
        try {
            $trial = $this->live();
        } catch (Refused $trouble) {
            return $lines !== [] && $this->run !== null ? $do($this->mended($lines, $this->run)) : throw $trouble;
        }
        try {
            return $trial->within($this->networkWith($lines), fn () => $do($trial));
        } catch (DoesNotFit $trouble) {
            throw Refused::because('trial.unfit', ['trouble' => $trouble->phrase()], 'fit');
        }
    }

    /**
     * A plan of data that cannot be planned but for a draft's lines, or with other parameters than the live one.
     *
     * @param  list<list<Change>>  $lines
     * @param  array<string, mixed>  $parameters
     *
     * @throws Refused when they do not mend it
     */
    private function mended(array $lines, Run $run, array $parameters = []): Trial
    {
        try {
            return new Trial($this->networkWith($lines), $this->optionsOf($run, $parameters), RunLimits::planner());
        } catch (LoopFound|QuantityOutOfRange|InvalidOptions $trouble) {
            throw Refused::because('plan.broken', ['trouble' => $trouble->phrase()], 'data');
        }
    }

    /** @param  array<string, mixed>  $parameters  that differ */
    private function optionsOf(Run $run, array $parameters = []): Options
    {
        return RunParameters::asOf($run, $this->planDate, $parameters);
    }
}
