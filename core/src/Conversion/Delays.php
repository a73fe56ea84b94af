<?php

declare(strict_types=1);

namespace Yposta\Core\Conversion;

use Yposta\Core\Study\PutOrder;
use Yposta\Core\Trial\ArrivalChange;

/** What converting some proposals and leaving others would make later. */
final readonly class Delays
{
    /**
     * @param  list<ArrivalChange>  $lines  sales lines that would come later, the longest first
     * @param  list<PutOrder>  $along  proposals that prevent it, as far as that is possible, as the orders that they would become
     * @param  list<ArrivalChange>  $left  sales lines that would come later all the same
     */
    public function __construct(public array $lines, public array $along, public array $left)
    {
    }
}
