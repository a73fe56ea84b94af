<?php

declare(strict_types=1);

namespace App\Reading\Pages;

/** The board of the shop; what stands on it comes after the page has. */
final readonly class BoardPage extends Page
{
    /** @param  string  $of  the order that is picked; may be empty */
    public function __construct(public bool $planned, public string $of, public bool $may)
    {
    }
}
