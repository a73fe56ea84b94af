<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Planning\BundleFolder;
use App\Support\Words;
use Illuminate\Console\Command;
use InvalidArgumentException;
use RuntimeException;
use Yposta\Core\Bundle\BundleReader;
use Yposta\Core\Bundle\CsvLines;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Declaration\Instant;
use Yposta\Core\Declaration\InvalidField;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\PlanWriter;
use Yposta\Core\Planner;
use Yposta\Core\Scheduling\Improvement;
use Yposta\Core\Scheduling\Load;
use Yposta\Core\Scheduling\Schedule;
use Yposta\Core\Scheduling\ScheduleAim;
use Yposta\Core\Scheduling\ScheduleDirection;
use Yposta\Core\Scheduling\ScheduleOptions;
use Yposta\Core\Scheduling\Scheduler;
use Yposta\Core\Scheduling\ScheduleRule;

final class ScheduleCommand extends Command
{
    use TellsOnStandardError;

    private const MOST_DAYS = 3_650;

    private const MOST_STEPS = 10_000_000;

    protected $signature = 'yposta:schedule {bundle : folder or zip of CSV files} {--out= : folder for the result}
        {--rule=due : who goes first: due, priority, list, setup} {--direction=forward : forward or backward}
        {--frozen-days=0 : days from the plan date in which what is scheduled stays}
        {--proposals-days=0 : proposals that start in so many days, too}
        {--now= : YYYY-MM-DD HH:MM before which nothing starts; the plan date without} {--aim=late : what is improved: late or makespan}
        {--steps=0 : of improvement} {--limit= : seconds of improvement} {--seed=1}';

    protected $description = 'Plan and schedule a bundle without any database and write load, schedule and figures as CSV files';

    public function handle(BundleReader $reader, Planner $planner): int
    {
        ini_set('memory_limit', '-1');
        gc_disable(); // a plan is one large web of objects that live to the end

        return $this->orRefused(function () use ($reader, $planner): void {
            $out = $this->text('out');
            $out !== '' || throw new InvalidArgumentException('Say where the result goes: --out=DIR');
            is_dir($out) || @mkdir($out, 0o777, true) || throw new RuntimeException("{$out} cannot be made");
            $contents = $reader->read(BundleFolder::open((string) $this->argument('bundle')));
            $this->note($contents->warnings);
            $options = $this->scheduleOptions($contents->options->planDate);
            $this->written($planner->plan($contents->network, $contents->options->with(schedule: false)), $out, $options);
        });
    }

    private function written(Plan $plan, string $out, ScheduleOptions $options): void
    {
        $words = Words::of($plan->options->planDate);
        $shop = new Shop($plan->network, $plan->options->calendars);
        foreach (array_keys(PlanWriter::FILES) as $file) {
            $stream = self::stream("{$out}/{$file}");
            (new PlanWriter($plan, $words))->write([$file => $stream]);
            fclose($stream);
        }
        $began = hrtime(true);
        self::write("{$out}/load.csv", Load::COLUMNS, (new Load($plan, $shop))->rows());
        $load = (hrtime(true) - $began) / 1e9;
        $began = hrtime(true);
        $scheduler = new Scheduler($plan, $shop, $options);
        $schedule = $scheduler->schedule();
        $seconds = (hrtime(true) - $began) / 1e9;
        [$schedule, $steps, $improved] = $this->improved($schedule, $scheduler, $options);
        self::write("{$out}/schedule.csv", Schedule::COLUMNS, $schedule->rows());
        self::write("{$out}/figures.csv", ['key', 'value'], $schedule->figureRows());
        $schedule->apply();
        $stream = self::stream("{$out}/after.csv");
        (new PlanWriter($plan, $words))->write(['demands.csv' => $stream]);
        fclose($stream);
        $this->tell($schedule);
        $this->line(sprintf(
            'schedule: load %.3f s, schedule %.3f s, improve %.3f s (%d steps), peak %d MiB', $load, $seconds, $improved, $steps,
            memory_get_peak_usage(true) >> 20,
        ));
    }

    /** @return array{Schedule, int, float} the best, the steps that were made, and the seconds that they took */
    private function improved(Schedule $schedule, Scheduler $scheduler, ScheduleOptions $options): array
    {
        if ($options->steps === 0) {
            return [$schedule, 0, 0.0];
        }
        $limit = $this->option('limit') === null ? INF : (float) $this->number('limit', self::MOST_STEPS);
        $began = hrtime(true);
        $seconds = fn () => (hrtime(true) - $began) / 1e9;
        [$best, $steps] = (new Improvement($scheduler, $options))->of(
            $schedule, fn () => $seconds() < $limit,
        );

        return [$best, $steps, $seconds()];
    }

    /** What could not be done, on standard error: it changes what one may rely on. */
    private function tell(Schedule $schedule): void
    {
        $lines = [];
        foreach ($schedule->givenUp() as $reference => $centre) {
            $lines[] = "{$reference} has no room at {$centre} and was left out";
        }
        foreach ($schedule->frozenMoved() as $operation) {
            $lines[] = "{$operation} could not keep its place";
        }
        $lines === [] || $this->complain($lines);
    }

    /** @throws InvalidArgumentException when an option is none */
    private function scheduleOptions(int $planDate): ScheduleOptions
    {
        return new ScheduleOptions(
            now: $this->now($planDate),
            rule: ScheduleRule::tryFrom($this->text('rule')) ?? throw $this->unknown('rule'),
            direction: ScheduleDirection::tryFrom($this->text('direction')) ?? throw $this->unknown('direction'),
            frozenDays: $this->number('frozen-days', self::MOST_DAYS),
            proposalsDays: $this->number('proposals-days', self::MOST_DAYS),
            aim: ScheduleAim::tryFrom($this->text('aim')) ?? throw $this->unknown('aim'),
            steps: $this->number('steps', self::MOST_STEPS),
            seed: $this->number('seed', PHP_INT_MAX),
        );
    }

    private function now(int $planDate): int
    {
        $now = $this->text('now');
        try {
            return $now === '' ? $planDate * Minute::DAY : Minute::parse((string) (new Instant)->parse($now));
        } catch (InvalidField) {
            throw $this->unknown('now');
        }
    }

    private function number(string $option, int $most): int
    {
        $text = $this->text($option);

        return preg_match('/^\d{1,18}$/D', $text) === 1 && (int) $text <= $most ? (int) $text : throw $this->unknown($option);
    }

    private function unknown(string $option): InvalidArgumentException
    {
        return new InvalidArgumentException("--{$option}={$this->text($option)} is not known");
    }

    private function text(string $option): string
    {
        $value = $this->option($option);

        return is_scalar($value) ? (string) $value : '';
    }

    /**
     * @param  list<string>  $columns
     * @param  iterable<list<string>>  $rows
     */
    private static function write(string $path, array $columns, iterable $rows): void
    {
        $stream = self::stream($path);
        $lines = new CsvLines($stream);
        $lines->write([$columns]);
        $lines->write($rows);
        fclose($stream);
    }

    /** @return resource */
    private static function stream(string $path)
    {
        return @fopen($path, 'w') ?: throw new RuntimeException("{$path} cannot be written");
    }
}
