<?php

declare(strict_types=1);

namespace App\Reading\Pages;

/** The work list of a centre; what stands in it comes after the page has. */
final readonly class WorkListPage extends Page
{
    /** @param  list<array{code: string, name: string, site: string}>  $centres */
    public function __construct(public array $centres, public string $centre, public bool $planned)
    {
    }
}
