<?php

declare(strict_types=1);

return [
    'make' => 'production',
    'buy' => 'purchase',
    'transfer' => 'transfer',
];
