<?php

declare(strict_types=1);

namespace App\Actions;

use App\Support\Words;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\IssuePart;
use Yposta\Core\Study\StockRows;
use Yposta\Core\Support\Phrase;

/** Books components as used with the work that takes them, as far as they are there and not held; what lacks is told and left open. */
final class AutoIssue
{
    /**
     * @param  list<IssuePart>  $wanted
     * @return array{list<IssuePart>, list<string>} what can be booked, and what is said of it
     */
    public static function of(Network $network, array $wanted): array
    {
        $changes = $used = $lacks = [];
        foreach ($wanted as $part) {
            $item = $network->items[IssuePart::part($network, $part->order, $part->line)->item];
            $there = min($part->qty, StockRows::of($network, $item->code, $network->orders[$part->order]->site) ?? 0);
            $after = $there > 0 ? self::applied(new IssuePart($part->order, $part->line, $there), $network) : null;
            if ($after !== null) {
                $network = $after;
                $changes[] = new IssuePart($part->order, $part->line, $there);
                $used[] = Words::say(new Phrase('journal.stock.auto_part', ['item' => $item->code, 'qty' => new Amount($there, $item->unit)]));
            }
            $missing = $after === null ? $part->qty : $part->qty - $there;
            $missing > 0
                && $lacks[] = Words::say(new Phrase('journal.stock.auto_lacks', ['item' => $item->code, 'qty' => new Amount($missing, $item->unit)]));
        }
        $said = $used === [] ? [] : [Words::say(new Phrase('journal.stock.auto', ['what' => implode(', ', $used)]))];

        return [$changes, [...$said, ...$lacks]];
    }

    /** Null where it is held for others. */
    private static function applied(IssuePart $change, Network $network): ?Network
    {
        try {
            return $change->apply($network);
        } catch (DoesNotFit) {
            return null;
        }
    }
}
