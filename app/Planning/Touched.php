<?php

declare(strict_types=1);

namespace App\Planning;

use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangePlanning;
use Yposta\Core\Study\ChangeSalesLine;
use Yposta\Core\Study\ChangeStock;

/** The rows that changes speak of and what they look like, so that one can tell whether someone else has changed them since. */
final class Touched
{
    /**
     * @param  list<Change>  $changes
     * @return array<string, string> fingerprint by name of the row; that of a row that is not there is empty
     */
    public static function by(array $changes, Network $network): array
    {
        $seen = [];
        foreach ($changes as $change) {
            foreach (self::names($change) as $name) {
                $seen[$name] = '';
            }
        }

        return self::look(array_keys($seen), $network);
    }

    /**
     * @param  list<string>  $names
     * @return array<string, string>
     */
    public static function look(array $names, Network $network): array
    {
        $seen = [];
        foreach ($names as $name) {
            $row = self::row($name, $network);
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
        return array_keys(array_diff_assoc($seen, self::look(array_keys($seen), $network)));
    }

    /** @return list<string> */
    private static function names(Change $change): array
    {
        if ($change instanceof ChangeSalesLine) {
            return ["sales:{$change->order}/{$change->line}"];
        }
        if ($change instanceof ChangeStock || $change instanceof ChangePlanning) {
            return [($change instanceof ChangeStock ? 'stock' : 'planning').":{$change->item}@{$change->site}"];
        }
        $order = (string) (get_object_vars($change)['order'] ?? '');

        return $order === '' || str_starts_with($order, 'new:') ? [] : ["order:{$order}"];
    }

    private static function row(string $name, Network $network): mixed
    {
        [$kind, $code] = explode(':', $name, 2);

        return match ($kind) {
            'order' => isset($network->orders[$code]) ? [$network->orders[$code], array_values(array_filter($network->components, fn (OrderComponent $row) => $row->order === $code))] : null,
            'sales' => array_values(array_filter($network->sales, fn ($line) => "{$line->order}/{$line->line}" === $code))[0] ?? null,
            'stock' => array_values(array_filter($network->stock, fn ($row) => "{$row->item}@{$row->site}" === $code))[0] ?? null,
            default => array_values(array_filter($network->planning, fn ($row) => "{$row->item}@{$row->site}" === $code))[0] ?? null,
        };
    }
}
