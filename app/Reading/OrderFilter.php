<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\OrderState;
use Yposta\Core\Network\OrderKind;

/** Which orders a list has. Empty texts mean all; the status may also be `open` or `all`. */
final readonly class OrderFilter
{
    /**
     * @param  value-of<OrderKind>|''  $kind
     * @param  value-of<OrderState>|'open'|'all'|'request'|'unconfirmed'  $status
     * @param  bool  $withMessage  only those of which the plan has something to say
     * @param  bool  $late  only those that are overdue
     * @param  ''|'supplier'|'site'|'state'|'week'  $by  what they stand under
     */
    public function __construct(
        public string $site = '',
        public string $kind = '',
        public string $status = 'open',
        public string $text = '',
        public bool $withMessage = false,
        public bool $late = false,
        public string $by = '',
    ) {
    }
}
