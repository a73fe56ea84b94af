<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Where a person is signed in. */
final readonly class SessionRow
{
    /**
     * @param  string  $where  address of the machine
     * @param  string  $with  what the browser calls itself
     * @param  string  $at  ISO date and time of what was done last
     * @param  bool  $isThis  whether it is the one that looks
     */
    public function __construct(public string $where, public string $with, public string $at, public bool $isThis)
    {
    }
}
