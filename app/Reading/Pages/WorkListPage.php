<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\WorkList;

/** The work list of a centre. */
final readonly class WorkListPage extends Page
{
    /** @param  list<array{code: string, name: string, site: string}>  $centres */
    public function __construct(public array $centres, public ?WorkList $list, public bool $planned)
    {
    }
}
