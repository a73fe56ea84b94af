<?php

declare(strict_types=1);

namespace App\Support;

/** Names the process that works on something, so that another can see whether it has died. */
final class Worker
{
    /** Host, process and when that began: numbers of processes are used again. */
    public static function here(): string
    {
        $process = (int) getmypid();

        return gethostname().":{$process}:".self::began($process);
    }

    /** Whether it ran on this machine and does no more. Of another machine one cannot know. */
    public static function isGone(?string $worker): bool
    {
        [$host, $process, $began] = [...explode(':', (string) $worker), '', '', ''];

        return $host === gethostname() && is_dir('/proc') && ($began === '' || self::began((int) $process) !== $began);
    }

    /** Whether there is such a process on this machine; one that has ended and is only still listed is none. */
    public static function lives(int $process): bool
    {
        return self::began($process) !== '';
    }

    /** The 22nd field of its line, of which the second may hold anything in brackets; empty when there is no such process. */
    private static function began(int $process): string
    {
        $line = (string) @file_get_contents("/proc/{$process}/stat");
        $fields = explode(' ', substr($line, (int) strrpos($line, ')') + 2));

        return $fields[0] === 'Z' || $fields[0] === '' ? '' : $fields[19] ?? '';
    }
}
