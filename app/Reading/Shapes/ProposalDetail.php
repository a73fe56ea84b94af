<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A proposal in the inspector. */
final readonly class ProposalDetail
{
    /**
     * @param  list<SupplierChoice>  $suppliers
     * @param  list<MessageRow>  $messages
     * @param  string|null  $givenBack  why purchasing gave it back
     */
    public function __construct(
        public ProposalRow $row,
        public Explanation $answer,
        public array $suppliers,
        public array $messages,
        public ?string $givenBack,
    ) {
    }
}
