<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

use Yposta\Core\Shortage\NeedState;

/** A need of the window and how it is covered. Quantities are decimals as text, dates are ISO dates. */
final readonly class ShortageRow
{
    /**
     * @param  list<string>  $hits
     * @param  list<string>  $lines
     */
    public function __construct(
        public string $identity,
        public NeedState $state,
        public string $item,
        public string $name,
        public string $site,
        public string $unit,
        public string $qty,
        public string $short,
        public Link $consumer,
        public ?string $consumerDue,
        public string $date,
        public ?string $orderBy,
        public int $daysPast,
        public ?string $expected,
        public int $lateDays,
        public Strip $strip,
        public array $hits,
        public array $lines,
        public string $served,
        public string $reference,
        public ?string $subject,
        public string $because,
        public string $group,
        public ?string $accepted,
    ) {
    }
}
