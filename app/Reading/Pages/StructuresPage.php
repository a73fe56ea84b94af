<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Reading\Shapes\ContentRow;

/** Two structures side by side. */
final readonly class StructuresPage extends Page
{
    /**
     * @param  array{first: string, second: string, down: ''|'1', differ: ''|'1'}  $filter
     * @param  list<string>  $names  of both items
     * @param  list<ContentRow>  $rows
     * @param  int  $same  components of which as much goes into both
     * @param  list<string>  $costs  of one of each, in material
     */
    public function __construct(
        public array $filter,
        public array $names,
        public array $rows,
        public int $same,
        public array $costs,
        public string $currency,
    ) {
    }
}
