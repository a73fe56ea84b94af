<?php

declare(strict_types=1);

namespace App\Trials;

use App\Models\Run;
use App\Planning\LiveNetwork;
use App\Planning\RunParameters;
use App\Support\Refused;
use App\Support\Settings;
use Yposta\Core\Network\Network;
use Yposta\Core\Options\Options;
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

    private string $stamp = '';

    public function __construct(private readonly LiveNetwork $data)
    {
    }

    /** @throws Refused when there is no plan yet, or the data cannot be planned */
    public function live(): Trial
    {
        $run = Run::live() ?? throw Refused::because('plan.none', [], 'no plan');
        $stamp = "{$this->data->stamp()}:{$run->id}:".Settings::planDate();
        if ($this->trial === null || $stamp !== $this->stamp) {
            $options = RunParameters::options([...$run->parameters, 'planDate' => Settings::planDate(), ...$this->horizon($run)]);
            $network = $this->data->read();
            gc_disable(); // a plan is one large web of objects that live on
            try {
                if ($this->trial === null || $options != $this->options) {
                    $this->trial = null;
                    $this->trial = new Trial($network, $options);
                } else {
                    $this->trial->settle($network);
                }
            } catch (LoopFound|QuantityOutOfRange|DoesNotFit $trouble) {
                $this->trial = null;
                throw Refused::because('plan.broken', ['trouble' => $trouble->phrase()], 'data');
            }
            [$this->stamp, $this->options] = [$stamp, $options];
        }

        return $this->trial;
    }

    /**
     * The live data with a draft's lines, as far as they fit; the tray says which do not.
     *
     * @param  list<list<Change>>  $lines
     */
    public function networkWith(array $lines): Network
    {
        $network = $this->live()->network();
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
     * Does something on top of a draft's lines, as far as they fit.
     *
     * @template T
     *
     * @param  list<list<Change>>  $lines
     * @param  callable(Trial): T  $do
     * @return T
     *
     * @throws Refused when what is done does not fit
     */
    public function drafted(array $lines, callable $do): mixed
    {
        $trial = $this->live();
        try {
            return $trial->within($this->networkWith($lines), fn () => $do($trial));
        } catch (DoesNotFit $trouble) {
            throw Refused::because('trial.unfit', ['trouble' => $trouble->phrase()], 'fit');
        }
    }

    /** @return array<string, string> the plan's horizon, when it is not over */
    private function horizon(Run $run): array
    {
        $end = substr($run->horizon_end, 0, 10);

        return ['horizonEnd' => max($end, Settings::planDate())];
    }
}
