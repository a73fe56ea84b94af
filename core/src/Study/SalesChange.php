<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;
use Yposta\Core\Network\SalesLine;

/** Finds and replaces sales lines. */
trait SalesChange
{
    /** @throws DoesNotFit when there is none */
    private static function line(Network $network, string $order, string $line): SalesLine
    {
        foreach ($network->sales as $row) {
            if ($row->order === $order && $row->line === $line) {
                return $row;
            }
        }
        throw DoesNotFit::because('no_sales_line', ['line' => "{$order}/{$line}"]);
    }

    private static function putLine(Network $network, SalesLine $line): Network
    {
        return $network->with(sales: array_map(
            fn (SalesLine $row) => $row->order === $line->order && $row->line === $line->line ? $line : $row, $network->sales,
        ));
    }
}
