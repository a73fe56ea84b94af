<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\Dates;
use App\Reading\Shapes\Link;
use App\Reading\Shapes\ThreadOperation;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;

/** Where a thread is drawn from: a plan that is stored, or one that something is tried on. Elements are the same objects each time. */
interface ThreadGround
{
    /** Day number. */
    public function planDate(): int;

    public function dates(): Dates;

    public function place(Supply|Demand $element): PlacedItem;

    /** What to call it and where it leads. */
    public function supply(Supply $supply): Link;

    public function demand(Demand $demand): Link;

    public function supplierName(string $code): string;

    /** @return list<Peg> what serves a demand */
    public function served(Demand $demand): array;

    /** @return list<Peg> whom a supply serves */
    public function serves(Supply $supply): array;

    /** @return list<Demand> what an order or proposal takes */
    public function inputs(Supply $supply): array;

    /** Whether a demand is on the chain that decides the date. */
    public function decides(Demand $demand): bool;

    /**
     * Where the shop has the operations of supplies.
     *
     * @param  list<Supply>  $supplies
     * @return array<int, list<ThreadOperation>> by object id; what is not scheduled has none
     */
    public function operations(array $supplies): array;

    /** What a supply is late for. */
    public function waitsFor(Supply $supply): ?Demand;
}
