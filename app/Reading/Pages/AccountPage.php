<?php

declare(strict_types=1);

namespace App\Reading\Pages;

/** Who is signed in, and their password. */
final readonly class AccountPage extends Page
{
    /**
     * @param  int  $shortest  letters of a password
     */
    public function __construct(
        public string $email,
        public int $shortest,
    ) {
    }
}
