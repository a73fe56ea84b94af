<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Run;
use App\Planning\NetworkReader;
use App\Planning\PlanStore;
use App\Planning\RunLimits;
use App\Planning\RunParameters;
use App\Support\Journal;
use App\Support\Snapshot;
use App\Support\Words;
use App\Support\Worker;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;
use Yposta\Core\Network\Network;
use Yposta\Core\Options\InvalidOptions;
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

    public function __construct(private readonly int $runId)
    {
    }

    public function handle(NetworkReader $reader, PlanStore $store): void
    {
        $run = Run::query()->findOrFail($this->runId);
        gc_disable(); // a plan is one large web of objects that live to the end of the run
        try {
            $this->say($run, 'reading', ['status' => 'running', 'started_at' => now(), 'worker' => Worker::here()]);
            [$network, $change] = Snapshot::read(fn () => [$reader->read(), Journal::newest()]);
            $run->update(['last_change' => $change, 'fingerprint' => hash('sha256', serialize($network))]);
            $plan = RunLimits::planner()->plan(
                $this->changed($run, $network),
                RunParameters::options($run->parameters),
                fn (string $stage) => $this->say($run, $stage),
            );
            $this->say($run, 'storing');
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

    /** The network with the changes of the study that the run belongs to. */
    private function changed(Run $run, Network $network): Network
    {
        return (new Changes(array_map(ChangeCodec::decode(...), $run->study->changes ?? [])))->apply($network);
    }

    public function failed(?Throwable $trouble): void
    {
        Run::query()->whereKey($this->runId)->whereIn('status', ['queued', 'running'])
            ->update(['status' => 'failed', 'trouble' => Words::say(new Phrase('journal.run.stopped'))]);
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
