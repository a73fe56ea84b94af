<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\PersonRow;

/** Who signs in, and as what. */
final readonly class PeoplePage extends Page
{
    /**
     * @param  list<PersonRow>  $people
     * @param  list<string>  $roles
     */
    public function __construct(public array $people, public array $roles)
    {
    }
}
