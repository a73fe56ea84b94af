<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What became of the run that begins by itself each day. */
final readonly class DailyRun
{
    /**
     * @param  string  $name  of the kept run
     * @param  string|null  $at  ISO instant at which it ended; null where it did not begin
     * @param  string  $said  what it changed, or why there is nothing of it
     */
    public function __construct(public string $name, public ?string $at, public string $said, public bool $failed)
    {
    }
}
