<?php

declare(strict_types=1);

namespace Yposta\Core\Promise;

/** So much by a day. */
final readonly class PromisePart
{
    /**
     * @param  int  $qty  millionths
     * @param  int  $date  day number
     */
    public function __construct(public int $qty, public int $date)
    {
    }
}
