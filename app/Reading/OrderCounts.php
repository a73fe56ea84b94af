<?php

declare(strict_types=1);

namespace App\Reading;

use App\Support\Words;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Support\Phrase;

/** "2 purchase orders and 1 production order made" */
final class OrderCounts
{
    /**
     * Nothing for no orders.
     *
     * @param  list<OrderKind>  $kinds  one for each order
     * @param  bool  $made  or only to be made
     */
    public static function said(array $kinds, bool $made = false): string
    {
        $counts = array_count_values(array_map(fn (OrderKind $kind) => $kind->value, $kinds));
        $parts = [];
        foreach ([OrderKind::Buy, OrderKind::Make, OrderKind::Transfer] as $kind) {
            isset($counts[$kind->value])
                && $parts[] = Words::say(new Phrase("journal.made.{$kind->value}", ['count' => $counts[$kind->value]]));
        }

        return $parts === [] ? '' : Words::say(new Phrase(
            ($made ? 'journal.made.' : 'journal.to_make.').count($parts),
            ['first' => $parts[0], 'second' => $parts[1] ?? '', 'third' => $parts[2] ?? ''],
        ));
    }
}
