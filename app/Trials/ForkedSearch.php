<?php

declare(strict_types=1);

namespace App\Trials;

use App\Support\Stored;
use RuntimeException;
use Yposta\Core\Promise\DaySearch;
use Yposta\Core\Promise\OneByOne;

/**
 * Tries days in several processes at once, each every so many-th; the answer is that of trying one after the other. Only in a process that
 * was forked off for one question, which holds nothing that others share.
 */
final readonly class ForkedSearch implements DaySearch
{
    /** Set where forking is allowed. */
    public const ALLOWED = 'yposta.may_fork';

    /** Days below which it is not worth a process. */
    private const FEW = 4;

    public function first(array $days, callable $holds): ?int
    {
        $processes = Stored::int(config('yposta.processes'));
        if (! self::mayFork() || count($days) < self::FEW) {
            return (new OneByOne)->first($days, $holds);
        }
        // the first is the likeliest, and costs no process
        if ($holds($days[0])) {
            return $days[0];
        }

        return $this->sideBySide(array_slice($days, 1), $holds, $processes);
    }

    public function both(callable $aside, callable $own): array
    {
        $pair = self::mayFork() ? stream_socket_pair(STREAM_PF_UNIX, STREAM_SOCK_STREAM, 0) : false;
        $process = $pair === false ? -1 : pcntl_fork();
        if ($pair === false || $process === -1) {
            return (new OneByOne)->both($aside, $own);
        }
        if ($process === 0) {
            fwrite($pair[1], (string) $aside());
            self::leave($pair[1]);
        }
        fclose($pair[1]);
        try {
            $found = $own();
            $answer = (string) stream_get_contents($pair[0]);
        } finally {
            posix_kill($process, SIGKILL);
            pcntl_waitpid($process, $status);
            fclose($pair[0]);
        }

        return [is_numeric($answer) ? (int) $answer : throw new RuntimeException('a process that was asked has gone in the middle'), $found];
    }

    private static function mayFork(): bool
    {
        return config(self::ALLOWED) === true && Stored::int(config('yposta.processes')) > 1;
    }

    /**
     * @param  list<int>  $days
     * @param  callable(int): bool  $holds
     */
    private function sideBySide(array $days, callable $holds, int $processes): ?int
    {
        $others = [];
        for ($place = 1; $place < $processes; $place++) {
            $pair = stream_socket_pair(STREAM_PF_UNIX, STREAM_SOCK_STREAM, 0);
            $process = $pair === false ? -1 : pcntl_fork();
            if ($pair === false || $process === -1) {
                break; // what nobody takes stays with this process
            }
            if ($process === 0) {
                $this->work($pair[1], self::share($days, $place, $processes), $holds);
            }
            fclose($pair[1]);
            $others[$place] = new SearchShare($process, $pair[0], self::share($days, $place, $processes));
        }
        $own = [];
        foreach ($days as $number => $day) {
            isset($others[$number % $processes]) || $own[] = $day;
        }
        $best = null;
        foreach ($own as $day) {
            $best = self::least($best, $others, false);
            if ($best !== null && $best < $day) {
                break;
            }
            if ($holds($day)) {
                $best = min($best ?? $day, $day);
                break;
            }
        }
        $best = self::least($best, $others, true);
        foreach ($others as $other) {
            $other->end();
        }

        return $best;
    }

    /**
     * The least day that is known to hold.
     *
     * @param  array<int, SearchShare>  $others
     * @param  bool  $wait  until none of them can find an earlier one
     */
    private static function least(?int $best, array $others, bool $wait): ?int
    {
        foreach ($others as $other) {
            $found = $other->found($wait, $best);
            $best = $found === null ? $best : min($best ?? $found, $found);
        }

        return $best;
    }

    /**
     * @param  list<int>  $days
     * @return list<int>
     */
    private static function share(array $days, int $place, int $processes): array
    {
        return array_values(array_filter($days, fn (int $number) => $number % $processes === $place, ARRAY_FILTER_USE_KEY));
    }

    /**
     * @param  resource  $out
     * @param  list<int>  $days
     * @param  callable(int): bool  $holds
     */
    private function work($out, array $days, callable $holds): never
    {
        foreach ($days as $day) {
            $isIt = $holds($day);
            fwrite($out, $isIt ? '+' : '-');
            if ($isIt) {
                break;
            }
        }
        self::leave($out);
    }

    /** @param  resource  $out */
    private static function leave($out): never
    {
        fflush($out);
        fclose($out);
        posix_kill(posix_getpid(), SIGKILL); // nothing is taken down: that would copy the whole plan first
        exit(0);
    }
}
