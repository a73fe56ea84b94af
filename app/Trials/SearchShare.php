<?php

declare(strict_types=1);

namespace App\Trials;

use RuntimeException;

/** The days that another process tries, and how far it is. */
final class SearchShare
{
    private int $tried = 0;

    private ?int $found = null;

    /**
     * @param  resource  $from  a sign for each day that was tried: plus for one that holds, minus for one that does not
     * @param  list<int>  $days
     */
    public function __construct(private readonly int $process, private $from, private readonly array $days)
    {
        stream_set_blocking($from, false);
    }

    /**
     * The day that it has found.
     *
     * @param  bool  $wait  until it has found one or cannot find one before the best any more
     */
    public function found(bool $wait, ?int $best): ?int
    {
        while ($this->found === null && $this->tried < count($this->days) && ($best === null || $this->days[$this->tried] < $best)) {
            $signs = (string) fread($this->from, 64);
            foreach (str_split($signs) as $sign) {
                $sign === '+' && $this->found = $this->days[$this->tried];
                in_array($sign, ['+', '-'], true) && $this->tried++;
            }
            if ($signs !== '') {
                continue;
            }
            if (feof($this->from)) {
                throw new RuntimeException('a process that tries days has gone in the middle');
            }
            if (! $wait) {
                break;
            }
            $read = [$this->from];
            $none = null;
            stream_select($read, $none, $none, 1);
        }

        return $this->found;
    }

    public function end(): void
    {
        posix_kill($this->process, SIGKILL);
        pcntl_waitpid($this->process, $status);
        fclose($this->from);
    }
}
