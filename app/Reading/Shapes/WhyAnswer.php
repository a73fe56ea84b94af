<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** Why a figure of the plan is another than in the plan before; the shares add up to the difference. */
final readonly class WhyAnswer
{
    /** @param  list<WhyCause>  $causes  the largest share first */
    public function __construct(public string $before, public string $after, public array $causes)
    {
    }
}
