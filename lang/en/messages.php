<?php

declare(strict_types=1);

return [
    'count' => [
        'overdue' => ':count overdue',
        'bring_in' => ':count wanted earlier',
        'push_out' => ':count wanted later',
        'cancel' => ':count nobody needs any more',
    ],
    'kind' => [
        'bring_in' => 'Wanted earlier',
        'push_out' => 'Wanted later',
        'cancel' => 'Nobody needs it',
        'overdue' => 'Overdue',
        'start_passed' => 'Start has passed',
        'frozen' => 'In frozen days',
        'late_demand' => 'Demand in the past',
        'no_supplier' => 'No supplier',
        'no_bom' => 'No structure',
        'below_safety' => 'Runs short',
        'no_capacity' => 'No capacity',
        'displaced' => 'Moved in the shop',
        'no_room' => 'No room in the shop',
    ],
    'apply' => [
        'bring_in' => 'Move to :to',
        'push_out' => 'Move to :to',
        'cancel' => 'Cancel it',
    ],
    'reason' => [
        'lead_time' => 'Lead time too long',
        'overdue' => 'Order overdue',
        'due_late' => 'Order due late',
        'frozen' => 'Frozen days',
        'no_supply' => 'No supply',
        'no_capacity' => 'No capacity',
    ],
];
