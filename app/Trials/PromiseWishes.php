<?php

declare(strict_types=1);

namespace App\Trials;

use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\Quantity;

/** What a customer asks for, as it is sent. */
final readonly class PromiseWishes
{
    /** @var non-empty-list<array{item: string, site: string, qty: int}> quantities in millionths */
    public array $wishes;

    /** Day number. */
    public int $wished;

    /**
     * @param  non-empty-list<array{item: string, site: string, qty: string}>  $wishes  quantities as decimals
     * @param  string  $wished  an ISO date
     * @param  bool  $together  whether all come on one day
     * @param  bool  $regardless  whether others may come later
     * @param  bool  $capacity  whether the shop must have room
     * @param  string  $of  reference of a sales line that is set aside, as it is asked for; may be empty
     */
    public function __construct(
        array $wishes,
        string $wished,
        public bool $together = false,
        public bool $regardless = false,
        public bool $capacity = false,
        public string $of = '',
    ) {
        $this->wishes = array_map(
            fn (array $wish) => ['item' => $wish['item'], 'site' => $wish['site'], 'qty' => Quantity::parse($wish['qty'])], $wishes,
        );
        $this->wished = Day::parse($wished);
    }
}
