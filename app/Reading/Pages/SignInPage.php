<?php

declare(strict_types=1);

namespace App\Reading\Pages;

/** The way in, with the accounts of the demo where this is one. */
final readonly class SignInPage extends Page
{
    /**
     * @param  list<array{name: string, email: string, role: string, password: string}>  $demo
     */
    public function __construct(
        public array $demo,
    ) {
    }
}
