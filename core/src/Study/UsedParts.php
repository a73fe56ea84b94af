<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Quantity\Factor;

/** What of its components a production order has used once so much of it is done, beyond what was issued to it. */
final class UsedParts
{
    /**
     * @param  int  $done  of the whole order, millionths
     * @return list<IssuePart> what is still to be issued for it
     */
    public static function of(Network $network, OpenOrder $order, int $done, bool $onlyAutomatic = false): array
    {
        $used = [];
        foreach (OrderRows::own($network, $order->code) ?: OrderRows::of($network, $order->code) as $row) {
            $item = $network->items[$row->item];
            $wanted = Factor::share(min($order->qty, $done), $row->qty, $order->qty, $item->step()) - $row->issued;
            $wanted = min($wanted, $row->open());
            $wanted > 0 && ($item->autoIssue || ! $onlyAutomatic) && $used[] = new IssuePart($order->code, $row->line, $wanted);
        }

        return $used;
    }

    /**
     * Of the items that are issued by themselves, what an operation has used. A component that waits for no operation belongs to the first.
     *
     * @param  int  $through  good pieces and scrap that have gone through it, millionths
     * @return list<IssuePart>
     *
     * @throws DoesNotFit when the order has no operations
     */
    public static function by(Network $network, OpenOrder $order, int $op, int $through): array
    {
        $first = OperationRows::of($network, $order->code)[0]->op;
        $ops = [];
        foreach (array_filter($network->bom, fn (BomLine $line) => $line->item === $order->item) as $line) {
            $ops[$line->line] = $line->op;
        }
        foreach (OrderRows::own($network, $order->code) as $row) {
            $ops[$row->line] = $row->op ?? $ops[$row->line] ?? null;
        }

        return array_values(array_filter(
            self::of($network, $order, $through, true), fn (IssuePart $part) => ($ops[$part->line] ?? $first) === $op,
        ));
    }
}
