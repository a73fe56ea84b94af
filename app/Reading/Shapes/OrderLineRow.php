<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** A line of an order. */
final readonly class OrderLineRow
{
    /**
     * @param  string|null  $from  the site that it comes from, of a transfer
     * @param  list<MessageRow>  $messages
     * @param  list<ExplanationPeg>  $serves
     * @param  list<WaitingNeed>  $waiting  to whom it can go straight
     * @param  list<ComponentRow>  $components
     * @param  string|null  $confirmedDue  ISO date that the supplier has confirmed
     * @param  list<ThreadOperation>  $operations  where the shop has them
     */
    public function __construct(
        public string $reference,
        public string $code,
        public string $item,
        public string $name,
        public string $unit,
        public int $decimals,
        public string $qty,
        public string $received,
        public string $open,
        public ?string $from,
        public ?string $start,
        public string $due,
        public ?string $expected,
        public ?string $price,
        public bool $pinned,
        public int $priority,
        public ?string $source,
        public array $messages,
        public array $serves,
        public array $waiting,
        public array $components,
        public bool $held,
        public ?string $notBefore,
        public ?string $finishBy,
        public array $operations,
        public ?string $confirmedQty,
        public ?string $confirmedDue,
        public ?string $confirmedHow,
        public ?PlannedAndReal $took,
    ) {
    }
}
