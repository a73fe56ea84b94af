<?php

declare(strict_types=1);

/* Letters to suppliers. Where nothing is set they stay in a box inside the installation, where they can be read. */
return [
    'default' => env('MAIL_MAILER', 'inside'),
    'mailers' => [
        'inside' => ['transport' => 'inside'],
        'smtp' => [
            'transport' => 'smtp',
            'scheme' => env('MAIL_SCHEME'),
            'host' => env('MAIL_HOST', '127.0.0.1'),
            'port' => env('MAIL_PORT', 25),
            'username' => env('MAIL_USERNAME'),
            'password' => env('MAIL_PASSWORD'),
            'timeout' => 10,
        ],
    ],
    'from' => ['address' => env('MAIL_FROM_ADDRESS', 'purchasing@localhost'), 'name' => env('MAIL_FROM_NAME', 'Purchasing')],
];
