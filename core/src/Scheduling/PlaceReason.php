<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Run\Supply;

/** Something that holds an operation back until a minute. */
final readonly class PlaceReason
{
    /**
     * @param  int  $minute  until which it holds it
     * @param  Supply|null  $by  the material, or whose operation takes the unit
     * @param  int  $op  number of the operation that does; 0 where it is none
     * @param  int  $unit  that is taken; 0 where it is none
     */
    public function __construct(
        public PlaceReasonKind $kind,
        public int $minute,
        public ?Supply $by = null,
        public int $op = 0,
        public int $unit = 0,
    ) {
    }
}
