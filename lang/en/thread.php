<?php

declare(strict_types=1);

return [
    'step' => [
        'stock' => ':item from stock',
        'ordered_buy' => ':item on order, :name',
        'ordered_make' => ':item made, :name',
        'ordered_transfer' => ':item under way, :name',
        'proposed_buy' => ':item to be bought',
        'proposed_make' => ':item to be made',
        'proposed_transfer' => ':item to be moved',
    ],
];
