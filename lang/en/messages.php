<?php

declare(strict_types=1);

return [
    'count' => [
        'overdue' => ':count overdue',
        'bring_in' => ':count wanted earlier',
        'push_out' => ':count wanted later',
        'cancel' => ':count nobody needs any more',
    ],
    'reason' => [
        'lead_time' => 'Lead time too long',
        'overdue' => 'Order overdue',
        'due_late' => 'Order due late',
        'frozen' => 'Frozen days',
        'no_supply' => 'No supply',
    ],
];
