<?php

declare(strict_types=1);

namespace App\Planning;

use Yposta\Core\Network\Item;
use Yposta\Core\Network\JobLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\Planning;
use Yposta\Core\Network\ReferenceLookup;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Network\Stock;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;
use Yposta\Core\Study\BlockStock;
use Yposta\Core\Study\BringOrders;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangePlanning;
use Yposta\Core\Study\ChangeSalesLine;
use Yposta\Core\Study\ChangeStock;
use Yposta\Core\Study\CountRows;
use Yposta\Core\Study\IssueToJob;
use Yposta\Core\Study\OfOrder;
use Yposta\Core\Study\PlaceOrders;
use Yposta\Core\Study\PutRows;
use Yposta\Core\Study\PutSalesLine;
use Yposta\Core\Study\RemoveSalesLine;
use Yposta\Core\Study\ReturnFromJob;
use Yposta\Core\Study\ScrapBlocked;
use Yposta\Core\Study\ShipLine;
use Yposta\Core\Study\TakeBackLine;

/** The rows that changes speak of and what they look like, so that one can tell whether someone else has changed them since. */
final class RowFingerprints
{
    /** Before the key of a row of planning data, which has no reference. */
    private const PLANNING = 'planning:';

    /** Before the kind of other master data and what its rows are about; see {@see PutRows::records()}. */
    private const ROWS = 'rows:';

    /**
     * @param  list<Change>  $changes
     * @return array<string, string> fingerprint by name of the row; that of a row that is not there is empty
     */
    public static function by(array $changes, Network $network): array
    {
        $names = [];
        foreach ($changes as $change) {
            foreach (self::names($change) as $name) {
                $names[$name] = true;
            }
        }

        return self::look(array_map(strval(...), array_keys($names)), $network);
    }

    /**
     * @param  list<string>  $names
     * @return array<string, string>
     */
    public static function look(array $names, Network $network): array
    {
        $lookup = new ReferenceLookup($network);
        $components = $operations = $stock = $seen = [];
        $references = array_map(fn (string $name) => self::isMasterData($name) ? null : Reference::tryParse($name), $names);
        $rows = self::recordRows($names, $network);
        $orders = array_flip(array_map(
            fn (?Reference $reference) => $reference?->kind === ReferenceKind::Order ? $reference->name : '',
            $references,
        ));
        foreach ($network->components as $row) {
            isset($orders[$row->order]) && $components[$row->order][] = $row;
        }
        foreach ($network->orderOperations as $row) {
            isset($orders[$row->order]) && $operations[$row->order][] = $row;
        }
        foreach ($network->stock as $row) {
            $stock[(string) Reference::stock($row->item, $row->site)] = $row;
        }
        foreach ($names as $place => $name) {
            $reference = $references[$place];
            $row = match ($reference?->kind) {
                ReferenceKind::Order => isset($network->orders[$reference->name])
                    ? array_filter([
                        $network->orders[$reference->name], $components[$reference->name] ?? [], $operations[$reference->name] ?? [],
                    ])
                    : null,
                ReferenceKind::Sales => $lookup->salesLine($reference),
                ReferenceKind::Job => $lookup->jobLine($reference),
                ReferenceKind::Stock => $stock[$name] ?? null,
                default => $rows[$name] ?? $network->planning[substr($name, strlen(self::PLANNING))] ?? null,
            };
            $seen[$name] = $row === null ? '' : hash('xxh128', serialize($row));
        }

        return $seen;
    }

    /**
     * The names of rows that look otherwise than they did.
     *
     * @param  array<string, string>  $seen
     * @return list<string>
     */
    public static function moved(array $seen, Network $network): array
    {
        return $seen === []
            ? []
            : array_map(strval(...), array_keys(array_diff_assoc($seen, self::look(array_map(strval(...), array_keys($seen)), $network))));
    }

    /** @return array{string, string}|null item and site of a row of planning data; null for another */
    public static function planningPoint(string $name): ?array
    {
        return str_starts_with($name, self::PLANNING) ? explode("\x1f", substr($name, strlen(self::PLANNING)), 2) + ['', ''] : null;
    }

    /** @return array{string, string}|null kind and record of master data that has no point; null for another */
    public static function record(string $name): ?array
    {
        return str_starts_with($name, self::ROWS) ? explode(':', substr($name, strlen(self::ROWS)), 2) + ['', ''] : null;
    }

    /** The name of all rows of a kind that are about one thing, see {@see PutRows::records()}. */
    public static function ofRecord(string $kind, string $record): string
    {
        return self::ROWS."{$kind}:{$record}";
    }

    private static function isMasterData(string $name): bool
    {
        return str_starts_with($name, self::PLANNING) || str_starts_with($name, self::ROWS);
    }

    /**
     * @param  list<string>  $names
     * @return array<string, list<object>> the rows of those that are records, by name; what has none is not there
     */
    private static function recordRows(array $names, Network $network): array
    {
        $kinds = [];
        foreach ($names as $name) {
            $record = self::record($name);
            $record === null || $kinds[$record[0]][$record[1]] = true;
        }
        $found = [];
        foreach ($kinds as $kind => $records) {
            foreach (PutRows::about(PutRows::KINDS[$kind] ?? Item::class, $network) as [$row, $record]) {
                isset($records[$record]) && $found[self::ofRecord($kind, $record)][] = $row;
            }
        }

        return $found;
    }

    /** What a person calls the row: the name without its kind. */
    public static function called(string $name): string
    {
        return str_starts_with($name, self::PLANNING)
            ? str_replace("\x1f", ' ', substr($name, strlen(self::PLANNING)))
            : self::record($name)[1] ?? Reference::tryParse($name)->name ?? $name;
    }

    /** @return list<string> of the rows that a change speaks of */
    public static function names(Change $change): array
    {
        return match (true) {
            $change instanceof PlaceOrders => array_map(fn (string $order) => (string) Reference::order($order), $change->orders),
            $change instanceof PutRows && $change->class === Planning::class => array_map(
                fn (array $parts) => self::PLANNING.Network::key(...$parts), $change->identities(),
            ),
            $change instanceof PutRows && $change->class === SalesLine::class => array_map(
                fn (array $parts) => (string) Reference::sales(...$parts), $change->identities(),
            ),
            $change instanceof PutRows && $change->class === JobLine::class => array_map(
                fn (array $parts) => (string) Reference::job(...$parts), $change->identities(),
            ),
            $change instanceof BringOrders => array_map(fn (string $code) => (string) Reference::order($code), $change->orders()),
            $change instanceof CountRows => array_map(
                fn (Stock $row) => (string) Reference::stock($row->item, $row->site), [...$change->rows, ...$change->gone],
            ),
            $change instanceof PutRows => array_map(fn (string $record) => self::ofRecord($change->kind(), $record), $change->records()),
            default => array_filter([self::name($change)], is_string(...)),
        };
    }

    private static function name(Change $change): ?string
    {
        return match (true) {
            $change instanceof PutSalesLine => (string) $change->line->reference(),
            $change instanceof RemoveSalesLine => (string) Reference::sales($change->order, $change->line),
            $change instanceof ChangeSalesLine, $change instanceof ShipLine, $change instanceof TakeBackLine => (string) Reference::sales(
                $change->order, $change->line,
            ),
            $change instanceof IssueToJob, $change instanceof ReturnFromJob => (string) Reference::job($change->job, $change->line),
            $change instanceof ChangeStock, $change instanceof BlockStock,
            $change instanceof ScrapBlocked => (string) Reference::stock($change->item, $change->site),
            $change instanceof ChangePlanning => self::PLANNING.Network::key($change->item, $change->site),
            $change instanceof OfOrder => NewOrderCode::is($change->orderCode()) ? null : (string) Reference::order($change->orderCode()),
            default => null,
        };
    }
}
