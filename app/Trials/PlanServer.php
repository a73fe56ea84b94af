<?php

declare(strict_types=1);

namespace App\Trials;

use App\Support\PhraseJson;
use App\Support\Stored;
use Clue\React\NDJson\Decoder;
use React\EventLoop\Loop;
use React\Socket\ConnectionInterface;
use React\Socket\UnixServer;
use SplQueue;
use Throwable;
use Yposta\Core\Support\Phrase;

/**
 * Keeps the live plan ready and answers questions about it on a socket.
 *
 * A question is a line of JSON, `[name, arguments]` (see {@see PlanQuestion}); the answer comes as lines `{"tell": ...}` for what is found
 * on the way, and one `{"answer": ...}` or `{"trouble": ..., "reason": ...}` at the end. Each is worked out in a process forked off, which
 * has the plan in its memory: so questions run beside each other, end when their time or memory is used up or when whoever asked has gone,
 * and leave nothing behind.
 */
final class PlanServer
{
    /** Seconds without a question in which there is time to clear up. */
    private const IDLE = 5;

    /** Seconds after which somebody who has connected must have asked. */
    private const SILENT = 5;

    /** The longest question, bytes. */
    private const LONGEST = 4 << 20;

    /** @var SplQueue<array{ConnectionInterface, PlanQuestion, array<mixed>}> that wait for one of those under way to end */
    private SplQueue $waiting;

    private int $underWay = 0;

    private int $asked = 0;

    public function __construct(private readonly PlanQueries $queries)
    {
        $this->waiting = new SplQueue;
    }

    /**
     * Serves until whoever started it has gone.
     *
     * @param  string  $path  of the socket; one that an earlier process has left is taken away
     */
    public function serve(string $path): void
    {
        @unlink($path);
        $server = new UnixServer("unix://{$path}");
        chmod($path, 0600);
        $server->on('connection', $this->connected(...));
        $parent = posix_getppid();
        Loop::addPeriodicTimer(1, function () use ($parent, $server): void {
            if (posix_getppid() !== $parent) {
                $server->close();
                Loop::stop();
            }
        });
        Loop::futureTick(fn () => $this->makeReady(true));
        Loop::addPeriodicTimer(self::IDLE, function (): void {
            if ($this->asked === 0) {
                $this->makeReady(true);
                gc_collect_cycles(); // a plan is a web: what is left of it when data have moved is only found by looking
            }
            $this->asked = 0;
        });
        foreach ([SIGTERM, SIGINT] as $signal) {
            Loop::addSignal($signal, Loop::stop(...));
        }
        Loop::run();
        @unlink($path);
    }

    /**
     * The plan is brought up to date with the data, so that the next one does not wait for it.
     *
     * @param  bool  $toPromise  whether there is time for what only promises are planned on
     */
    private function makeReady(bool $toPromise = false): void
    {
        try {
            $this->queries->ready($toPromise);
        } catch (Throwable $trouble) {
            report($trouble);
        }
    }

    private function connected(ConnectionInterface $connection): void
    {
        $silent = Loop::addTimer(self::SILENT, $connection->close(...));
        $lines = new Decoder($connection, true, 512, JSON_BIGINT_AS_STRING, self::LONGEST);
        $lines->on('error', $connection->close(...));
        $lines->once('data', function (mixed $line) use ($connection, $silent): void {
            Loop::cancelTimer($silent);
            $question = is_array($line) && is_string($line[0] ?? null) ? PlanQuestion::tryFrom($line[0]) : null;
            if ($question === null || ! is_array($line[1] ?? null)) {
                $this->refuse($connection, 'refused.trial.inside', 'error');

                return;
            }
            $this->asked++;
            $this->waiting->enqueue([$connection, $question, $line[1]]);
            $this->next();
        });
    }

    /** Takes up those that wait, as far as there is room. */
    private function next(): void
    {
        while ($this->underWay < Stored::int(config('yposta.questions_at_once')) && ! $this->waiting->isEmpty()) {
            [$connection, $question, $arguments] = $this->waiting->dequeue();
            if ($connection->isWritable()) {
                $this->makeReady();
                $this->fork($connection, $question, $arguments);
            }
        }
    }

    /** @param  array<mixed>  $arguments */
    private function fork(ConnectionInterface $connection, PlanQuestion $question, array $arguments): void
    {
        $answer = ForkedAnswer::begin($this->queries, $question, $arguments);
        if ($answer === null) {
            $this->refuse($connection, 'refused.trial.inside', 'error');

            return;
        }
        $this->underWay++;
        $answer->stream->pipe($connection, ['end' => false]);
        $connection->on('close', $answer->cancel(...));
        $answer->stream->on('close', function () use ($connection, $answer): void {
            $trouble = $answer->trouble();
            $trouble === null ? $connection->end() : $this->refuse($connection, $trouble, 'limit');
            $this->underWay--;
            $this->next();
        });
    }

    private function refuse(ConnectionInterface $connection, string $code, string $reason): void
    {
        $connection->end(json_encode(['trouble' => PhraseJson::write(new Phrase($code)), 'reason' => $reason], JSON_THROW_ON_ERROR)."\n");
    }
}
