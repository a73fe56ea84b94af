<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Support\PhraseJson;
use App\Support\Refused;
use App\Trials\PlanQueries;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Throwable;
use Yposta\Core\Support\Phrase;

/** Keeps the plan ready for what people try, and answers questions about it on a socket; see {@see \App\Trials\PlanClient}. */
final class KeepPlanCommand extends Command
{
    /** Seconds without a question in which there is time to clear up. */
    private const IDLE = 5;

    /** PlanQueries after which it is cleared up all the same. */
    private const BETWEEN = 200;

    protected $signature = 'yposta:keep-plan {--socket= : path of the socket; else the configured one}';

    protected $description = 'Keep the live plan ready, so that trying a change costs only what it reaches';

    public function handle(PlanQueries $queries): int
    {
        ini_set('memory_limit', '-1');
        $path = (string) ($this->option('socket') ?: config('yposta.plan_socket'));
        if ($path === '') {
            $this->error('Name a socket: --socket=PATH');

            return 2;
        }
        @unlink($path);
        $server = stream_socket_server("unix://{$path}");
        if ($server === false) {
            return 1;
        }
        chmod($path, 0600);
        $parent = posix_getppid();
        $asked = null; // at first it makes ready at once
        while (posix_getppid() === $parent) { // whoever started it has gone, and so does it
            $connection = @stream_socket_accept($server, $asked === null ? 0 : self::IDLE);
            $asked ??= 0;
            if ($connection !== false) {
                $this->answer($queries, $connection);
                fclose($connection);
                $asked++;
            } else {
                $this->makeReady($queries);
            }
            DB::disconnect(); // nobody waits for a connection that has been idle for hours
            if ($asked > 0 && ($connection === false || $asked >= self::BETWEEN)) {
                gc_collect_cycles(); // a plan is a web: what a trial has left of it is only found by looking
                $asked = 0;
            }
        }
        @unlink($path);

        return 0;
    }

    /** While nobody asks, the plan is brought up to date with the data, so that the next one does not wait for it. */
    private function makeReady(PlanQueries $queries): void
    {
        try {
            $queries->ready();
        } catch (Throwable $trouble) {
            report($trouble);
        }
    }

    /** @param  resource  $connection */
    private function answer(PlanQueries $queries, $connection): void
    {
        $say = fn (array $what) => @fwrite($connection, json_encode($what, JSON_THROW_ON_ERROR)."\n");
        try {
            stream_set_timeout($connection, 5);
            [$question, $arguments] = [...(array) json_decode((string) fgets($connection), true, 512, JSON_THROW_ON_ERROR), [], []];
            if (! is_string($question) || ! is_array($arguments) || ! method_exists($queries, $question)) {
                return;
            }
            if ($question === 'remedies') {
                $arguments['tell'] = fn (array $found) => $say(['tell' => $found]);
            }
            $say(['answer' => $queries->{$question}(...$arguments)]);
        } catch (Refused $trouble) {
            $say(['trouble' => PhraseJson::write($trouble->phrase()), 'reason' => $trouble->reason]);
        } catch (Throwable $trouble) {
            report($trouble);
            $say(['trouble' => PhraseJson::write(new Phrase('refused.trial.inside')), 'reason' => 'error']);
        }
    }
}
