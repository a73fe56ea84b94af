<?php

declare(strict_types=1);

namespace App\Support;

/** Names the process that works on something, so that another can see whether it has died. */
final class Worker
{
    public static function here(): string
    {
        return gethostname().':'.getmypid();
    }

    /** Whether it ran on this machine and does no more. Of another machine one cannot know. */
    public static function isGone(?string $worker): bool
    {
        [$host, $process] = [...explode(':', (string) $worker), ''];

        return $host === gethostname() && is_dir('/proc') && ! is_dir("/proc/{$process}");
    }
}
