<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Run;
use App\Planning\NetworkReader;
use App\Planning\PlanStore;
use App\Planning\RunInputs;
use App\Planning\RunLimits;
use App\Planning\RunParameters;
use App\Support\Journal;
use App\Support\Snapshot;
use App\Support\Words;
use App\Support\Worker;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;
use Throwable;
use Yposta\Core\NetChange\NetChange;
use Yposta\Core\Network\Network;
use Yposta\Core\Options\InvalidOptions;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Structure\LoopFound;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Support\Phrase;

/** Plans and stores; the plan before it stays the live one until everything is written. */
final class ExecuteRun implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public int $timeout = 1800;

    /** How often what was written meanwhile is taken in. */
    private const MOST_ROUNDS = 5;

    public function __construct(private readonly int $runId)
    {
    }

    public function handle(NetworkReader $reader, PlanStore $store): void
    {
        $claimed = Run::query()->whereKey($this->runId)->where('status', 'queued')->update([
            'status' => 'running', 'stage' => 'reading', 'started_at' => now(), 'worker' => Worker::here(), 'trouble' => null,
            'attempts' => DB::raw('attempts + 1'),
        ]);
        if ($claimed !== 1) {
            return; // a worker that was thought dead, or a job that came twice
        }
        $run = Run::query()->findOrFail($this->runId);
        gc_disable(); // a plan is one large web of objects that live to the end of the run
        try {
            $store->forgetRest();
            $network = $this->read($run, $reader);
            $options = RunParameters::options($run->parameters);
            $plan = RunLimits::planner()->plan($network, $options, fn (string $stage) => $this->say($run, $stage));
            $plan = $this->upToDate($run, $plan, $reader);
            $this->say($run, 'storing');
            $run->study_id === null && RunInputs::keep($run, $plan->network);
            $store->store($run, $plan);
        } catch (DoesNotFit $trouble) {
            $this->fail($run, new Phrase('journal.run.unfit', ['trouble' => $trouble->phrase()]));
        } catch (LoopFound|QuantityOutOfRange|InvalidOptions $trouble) {
            $this->fail($run, $trouble->phrase());
        } catch (Throwable $trouble) {
            report($trouble);
            $this->fail($run, new Phrase('journal.run.inside'));
        } finally {
            gc_enable();
        }
    }

    /** What is planned, as it stands now; the run remembers how much of what people wrote is in it. */
    private function read(Run $run, NetworkReader $reader): Network
    {
        [$network, $change, $conversion] = Snapshot::read(
            fn () => [$reader->read(), Journal::newest(), (int) DB::table('conversions')->max('id')],
        );
        $run->update(['last_change' => $change, 'last_conversion' => $conversion, 'fingerprint' => hash('sha256', serialize($network))]);

        return $this->changed($run, $network);
    }

    /**
     * Takes in what people wrote while it was planned, so that nothing is proposed that has been ordered meanwhile. Where they write
     * faster than it can follow, the plan says by how much it is behind.
     */
    private function upToDate(Run $run, Plan $plan, NetworkReader $reader): Plan
    {
        for ($round = 0; $round < self::MOST_ROUNDS && Journal::newest() !== $run->last_change; $round++) {
            $this->say($run, 'catching up');
            $plan = NetChange::plan($plan, $this->read($run, $reader));
        }

        return $plan;
    }

    /** The network with the changes of the study that the run belongs to. */
    private function changed(Run $run, Network $network): Network
    {
        return (new Changes(array_map(ChangeCodec::decode(...), $run->study->changes ?? [])))->apply($network);
    }

    public function failed(?Throwable $trouble): void
    {
        DeadRuns::look(); // another worker may have taken it up
    }

    /** @param  array<string, mixed>  $more */
    private function say(Run $run, string $stage, array $more = []): void
    {
        $run->update([...$more, 'stage' => $stage]);
    }

    private function fail(Run $run, Phrase $trouble): void
    {
        $run->update([
            'status' => 'failed', 'stage' => null, 'finished_at' => now(),
            'trouble' => Words::say(new Phrase('journal.run.failed', ['trouble' => $trouble])),
        ]);
    }
}
