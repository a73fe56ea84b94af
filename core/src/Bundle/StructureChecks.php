<?php

declare(strict_types=1);

namespace Yposta\Core\Bundle;

use Yposta\Core\Declaration\Fault;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\Sourcing;
use Yposta\Core\Network\SupplierItem;

/** Checks between the rows of structures and planning data: lines that clash, points that have nothing to be made or bought of. */
final readonly class StructureChecks
{
    public function __construct(private Findings $findings)
    {
    }

    /** @param  iterable<int, BomLine>  $lines  by their lines in the file */
    public function clashes(iterable $lines): void
    {
        $sitesOf = []; // sites of each line of a structure, empty for all
        foreach ($lines as $at => $line) {
            $key = $line->item."\x1f".$line->line;
            $sites = $sitesOf[$key] ?? [];
            $clash = $line->site === null ? $sites !== [] : isset($sites[$line->site]) || isset($sites['']);
            $clash
                && $this->findings->note(Fault::of('line_clash', ['line' => $line->line, 'item' => $line->item]), 'bom.csv', $at, 'line');
            $sitesOf[$key] = [...$sites, (string) $line->site => true];
        }
    }

    /**
     * @param  array<int, Planning>  $planning  by their lines in the file
     * @param  list<BomLine>  $bom
     * @param  list<SupplierItem>  $offers
     */
    public function gaps(array $planning, array $bom, array $offers): void
    {
        $withLines = array_fill_keys(array_map(fn (BomLine $line) => $line->item, $bom), true);
        $sourcing = new Sourcing($offers);
        foreach ($planning as $at => $row) {
            if ($row->supply === OrderKind::Make && ! isset($withLines[$row->item])) {
                $this->findings->note(
                    Fault::mild('made_of_nothing', ['item' => $row->item, 'site' => $row->site]), 'planning.csv', $at, 'supply',
                );
            }
            if ($row->supply === OrderKind::Buy && $sourcing->supplierOf($row) === null) {
                $this->findings->note(
                    Fault::mild('bought_of_nobody', ['item' => $row->item, 'site' => $row->site]), 'planning.csv', $at,
                    'supplier',
                );
            }
        }
    }
}
