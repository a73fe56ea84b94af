<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\SessionRow;

/** Who is signed in, and their password. */
final readonly class AccountPage extends Page
{
    /**
     * @param  int  $shortest  letters of a password
     * @param  string|null  $feedSince  ISO date since which a calendar may read due dates; null where none may
     * @param  list<SessionRow>  $sessions  the one that looks first
     */
    public function __construct(
        public string $email,
        public int $shortest,
        public ?string $feedSince,
        public array $sessions,
    ) {
    }
}
