<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What made a plan another than the one before; the shares of each figure add up to its difference. */
final readonly class WhyChanges
{
    /** @param  list<WhyChange>  $causes  the largest part first */
    public function __construct(public array $causes)
    {
    }
}
