<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\AskedSchedule;
use App\Models\Run;
use App\Planning\NetworkReader;
use App\Planning\RowFingerprints;
use App\Planning\RunLimits;
use App\Planning\RunParameters;
use App\Support\Settings;
use App\Support\Snapshot;
use App\Support\Words;
use App\Support\Worker;
use App\Trials\Views\ScheduleSummary;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Network\Network;
use Yposta\Core\Options\InvalidOptions;
use Yposta\Core\Options\Options;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Scheduling\Schedule;
use Yposta\Core\Scheduling\ScheduleAim;
use Yposta\Core\Scheduling\ScheduleDirection;
use Yposta\Core\Scheduling\ScheduleOptions;
use Yposta\Core\Scheduling\ScheduleRule;
use Yposta\Core\Scheduling\Sequences;
use Yposta\Core\Structure\LoopFound;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\KeptSchedule;
use Yposta\Core\Study\PlaceOrders;
use Yposta\Core\Support\Phrase;
use Yposta\Core\Trial\ScheduleTrial;

/** Schedules the shop as it is asked for and tells how it is and would be; a person keeps it, or does not. */
final class MakeSchedule implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public int $timeout = 1800;

    /** Nanoseconds between two looks at whether it is to stop. */
    private const LOOK_EVERY = 300_000_000;

    private bool $isDropped = false;

    private int $looked = 0;

    public function __construct(private readonly int $scheduleId)
    {
    }

    public function handle(NetworkReader $reader): void
    {
        $claimed = AskedSchedule::query()->whereKey($this->scheduleId)->where('status', 'queued')->update([
            'status' => 'running', 'stage' => 'reading', 'worker' => Worker::here(), 'trouble' => null,
        ]);
        if ($claimed !== 1) {
            return;
        }
        $asked = AskedSchedule::query()->findOrFail($this->scheduleId);
        gc_disable(); // a plan is one large web of objects that live to the end
        try {
            $run = Run::live() ?? throw new InvalidOptions(new Phrase('refused.plan.none'));
            $this->make($asked, Snapshot::read(fn () => $reader->read()), RunParameters::asOf($run, Settings::planDate()));
        } catch (LoopFound|QuantityOutOfRange|InvalidOptions $trouble) {
            $this->end($asked, 'failed', Words::say($trouble->phrase()));
        } catch (Throwable $trouble) {
            report($trouble);
            $this->end($asked, 'failed', Words::say(new Phrase('journal.schedule.inside')));
        } finally {
            gc_enable();
        }
    }

    private function make(AskedSchedule $asked, Network $network, Options $options): void
    {
        $wanted = self::options($asked->options, $options->planDate);
        $asked->update(['stage' => 'planning']);
        $trial = new ScheduleTrial($network, $options, $wanted, RunLimits::planner());
        $asked->update(['stage' => 'standing']);
        $summary = new ScheduleSummary($network, $options->planDate, $wanted->orders ?? []);
        $summary->before($trial->asItStands());
        $asked->update(['stage' => 'scheduling']);
        $until = hrtime(true) + (int) $asked->options['seconds'] * 1_000_000_000;
        [$result, $effect, $steps] = $trial->anew(
            fn (int $steps, Schedule|Sequences $best) => $this->goesOn($asked, $steps, $best, $wanted->aim, $until),
        );
        if ($this->isDropped || $this->stopped($asked) === 'drop') {
            $this->end($asked, 'dropped', null);

            return;
        }
        $changes = KeptSchedule::changes($network, $result->orders);
        $kept = 0;
        foreach ($changes as $change) {
            $kept += $change instanceof PlaceOrders ? count($change->orders) : 0;
        }
        $asked->update([
            'status' => 'done', 'stage' => null, 'steps' => $steps, 'finished_at' => now(),
            'summary' => $summary->of($result, $effect, $kept), 'changes' => array_map(ChangeCodec::encode(...), $changes),
            'seen' => RowFingerprints::by($changes, $network),
        ]);
    }

    /** Tells how far it is, and looks whether a person has stopped it. */
    private function goesOn(AskedSchedule $asked, int $steps, Schedule|Sequences $best, ScheduleAim $aim, int $until): bool
    {
        $now = hrtime(true);
        if ($now - $this->looked < self::LOOK_EVERY) {
            return $now < $until;
        }
        $this->looked = $now;
        $score = $best->score($aim);
        $asked->update(['stage' => 'improving', 'steps' => $steps, 'best' => $best instanceof Schedule ? $score[1] : $score[0]]);
        $stop = $this->stopped($asked);
        $this->isDropped = $stop === 'drop';

        return $stop === null && $now < $until;
    }

    /** How a person has stopped it: keep or drop; null where nobody has. */
    private function stopped(AskedSchedule $asked): ?string
    {
        $stop = AskedSchedule::query()->whereKey($asked->id)->value('stop');

        return is_string($stop) ? $stop : null;
    }

    private function end(AskedSchedule $asked, string $status, ?string $trouble): void
    {
        $asked->update(['status' => $status, 'stage' => null, 'finished_at' => now(), 'trouble' => $trouble]);
    }

    /** @param  array<string, mixed>  $asked  see {@see \App\Actions\StartSchedule} */
    private static function options(array $asked, int $planDate): ScheduleOptions
    {
        return new ScheduleOptions(
            now: $planDate * Minute::DAY,
            rule: ScheduleRule::from($asked['rule']),
            direction: ScheduleDirection::from($asked['direction']),
            frozenDays: (int) $asked['frozenDays'],
            proposalsDays: (int) $asked['proposalsDays'],
            setupWindow: (int) $asked['setupWindow'],
            aim: ScheduleAim::from($asked['aim']),
            steps: (int) $asked['steps'],
            centres: $asked['centres'],
            orders: $asked['orders'],
        );
    }
}
