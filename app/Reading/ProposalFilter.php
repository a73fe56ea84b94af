<?php

declare(strict_types=1);

namespace App\Reading;

/** Which of the proposals a list shows. */
final readonly class ProposalFilter
{
    /**
     * @param  string|null  $until  ISO date by which they start; null for all
     * @param  string  $text  in the item's code
     * @param  bool  $resting  those that somebody has put off, and no others; else all but those
     */
    public function __construct(public string $site = '', public ?string $until = null, public string $text = '', public bool $resting = false)
    {
    }

    /** The same of all sites. */
    public function everywhere(): self
    {
        return new self('', $this->until, $this->text, $this->resting);
    }
}
