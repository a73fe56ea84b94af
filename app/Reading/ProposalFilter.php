<?php

declare(strict_types=1);

namespace App\Reading;

/** Which of the proposals a list shows. */
final readonly class ProposalFilter
{
    /**
     * @param  string|null  $until  ISO date by which they start; null for all
     * @param  string  $text  in the item's code
     */
    public function __construct(public string $site = '', public ?string $until = null, public string $text = '')
    {
    }
}
