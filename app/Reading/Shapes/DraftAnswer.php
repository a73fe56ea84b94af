<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A person's draft as the tray shows it, with what is drafted of the rows of other pages. */
final readonly class DraftAnswer
{
    /**
     * @param  list<DraftMark>  $marks
     */
    public function __construct(
        public DraftState $state,
        public array $marks,
    ) {
    }
}
