<?php

declare(strict_types=1);

namespace Yposta\Core\Network;

use Yposta\Core\Declaration\BundleFile;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\DayColumn;
use Yposta\Core\Declaration\Instant;
use Yposta\Core\Declaration\Row;
use Yposta\Core\Declaration\RowOf;
use Yposta\Core\Declaration\UnitNumbers;
use Yposta\Core\Declaration\Whole;

/**
 * Where a kept schedule has an operation of what was no order yet, so that orders that wait for it can stay where they are. A proposal is
 * known again by item, site, due date and its number among those; dates as day numbers, instants as `YYYY-MM-DD HH:MM`.
 */
#[BundleFile('proposal_operations.csv', 'proposal_operations')]
final readonly class ProposalOperation
{
    use Row;

    #[Column(new RowOf(Item::class))]
    public string $item;

    #[Column(new RowOf(Site::class))]
    public string $site;

    #[Column(new DayColumn)]
    public int $due;

    #[Column(new Whole(1, Whole::MOST_UNITS), '1')]
    public int $number;

    #[Column(new Whole)]
    public int $op;

    #[Column(new RowOf(WorkCentre::class))]
    public string $workCentre;

    #[Column(new UnitNumbers)]
    public string $units;

    #[Column(new Instant)]
    public string $start;

    /** By what a schedule finds it. */
    public function place(): string
    {
        return self::placeOf($this->item, $this->site, $this->due, $this->number, $this->op);
    }

    public static function placeOf(string $item, string $site, int $due, int $number, int $op): string
    {
        return "{$item}\x1f{$site}\x1f{$due}\x1f{$number}\x1f{$op}";
    }

    /** @return list<int> */
    public function unitNumbers(): array
    {
        return array_map(intval(...), explode(';', $this->units));
    }
}
