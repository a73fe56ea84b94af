<?php

declare(strict_types=1);

/*
 * What every answer carries, of a page as of a file: nothing is loaded from elsewhere, nothing is framed, nothing is guessed.
 */
return [
    'Content-Security-Policy' => "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; object-src 'none'; "
        ."frame-ancestors 'none'; base-uri 'self'; form-action 'self'",
    'X-Content-Type-Options' => 'nosniff',
    'X-Frame-Options' => 'DENY',
    'Referrer-Policy' => 'same-origin',
    'Cross-Origin-Opener-Policy' => 'same-origin',
    'Cross-Origin-Resource-Policy' => 'same-origin',
    'Permissions-Policy' => 'camera=(), geolocation=(), microphone=()',
];
