<?php

declare(strict_types=1);

/*
 * Passwords are taken whole, however long; where PHP has no Argon2 the older way would cut them at 72 bytes, and refuses longer ones.
 */
return [
    'driver' => env('HASH_DRIVER', defined('PASSWORD_ARGON2ID') ? 'argon2id' : 'bcrypt'),
    'bcrypt' => ['rounds' => (int) env('BCRYPT_ROUNDS', 12), 'verify' => false, 'limit' => 72],
    'argon' => [
        'memory' => (int) env('ARGON_MEMORY', 65_536), 'threads' => 1, 'time' => (int) env('ARGON_TIME', 4), 'verify' => false,
    ],
    'rehash_on_login' => true,
];
