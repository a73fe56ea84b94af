<?php

declare(strict_types=1);

namespace App\Trials;

use App\Support\PhraseJson;
use App\Support\Refused;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use React\Stream\ReadableResourceStream;
use Throwable;
use Yposta\Core\Support\Phrase;

/** One question being answered in a process of its own, which is forked off the one that has the plan in its memory. */
final class ForkedAnswer
{
    private ?string $trouble = null;

    private bool $ended = false;

    /** @param  ReadableResourceStream  $stream  what the process says, lines of JSON */
    private function __construct(private readonly int $process, public readonly ReadableResourceStream $stream)
    {
        $stream->on('close', $this->reap(...));
    }

    /**
     * @param  array<mixed>  $arguments
     * @return self|null  null when the machine gives no further process
     */
    public static function begin(PlanQueries $queries, PlanQuestion $question, array $arguments): ?self
    {
        DB::disconnect(); // a connection cannot be shared
        $pair = stream_socket_pair(STREAM_PF_UNIX, STREAM_SOCK_STREAM, 0);
        if ($pair === false) {
            return null;
        }
        $process = pcntl_fork();
        if ($process === 0) {
            self::work($pair[1], $queries, $question, $arguments);
        }
        fclose($pair[1]);

        return $process === -1 ? null : new self($process, new ReadableResourceStream($pair[0]));
    }

    /** Ends it when nobody waits for it any more. */
    public function cancel(): void
    {
        if (! $this->ended) {
            posix_kill($this->process, SIGKILL);
            $this->stream->close();
        }
    }

    /** The code of what kept it from an answer; null when it has given one. Known once the stream is closed. */
    public function trouble(): ?string
    {
        return $this->trouble;
    }

    private function reap(): void
    {
        pcntl_waitpid($this->process, $status);
        $this->ended = true;
        $signal = pcntl_wifsignaled($status) ? pcntl_wtermsig($status) : null;
        $this->trouble = match ($signal) {
            SIGTERM => null, // how it ends by itself
            SIGALRM => 'refused.trial.too_long',
            null => 'refused.trial.too_much',
            default => 'refused.trial.inside',
        };
    }

    /**
     * @param  resource  $out
     * @param  array<mixed>  $arguments
     */
    private static function work($out, PlanQueries $queries, PlanQuestion $question, array $arguments): never
    {
        foreach ([SIGTERM, SIGINT, SIGALRM] as $signal) {
            pcntl_signal($signal, SIG_DFL);
        }
        config([ForkedSearch::ALLOWED => true]);
        pcntl_alarm(Stored::int(config('yposta.question_seconds')));
        ini_set('memory_limit', (string) (memory_get_usage(true) + (Stored::int(config('yposta.question_megabytes')) << 20)));
        foreach (get_resources('stream') as $stream) {
            $stream === $out || @fclose($stream); // the sockets of others, so that they end when the parent ends them
        }
        $say = function (array $what) use ($out): void {
            $line = json_encode($what, JSON_THROW_ON_ERROR)."\n";
            for ($written = 0; $written < strlen($line); $written += $count) {
                $count = @fwrite($out, substr($line, $written));
                $count === false && posix_kill(posix_getpid(), SIGKILL); // nobody listens any more
            }
        };
        try {
            $say(['answer' => $queries->answer($question, $arguments, fn (array $found) => $say(['tell' => $found]))]);
        } catch (Refused $trouble) {
            $say(['trouble' => PhraseJson::write($trouble->phrase()), 'reason' => $trouble->reason]);
        } catch (Throwable $trouble) {
            report($trouble);
            $say(['trouble' => PhraseJson::write(new Phrase('refused.trial.inside')), 'reason' => 'error']);
        }
        fflush($out);
        posix_kill(posix_getpid(), SIGTERM); // nothing is taken down: that would copy the whole plan first
        exit(0);
    }
}
