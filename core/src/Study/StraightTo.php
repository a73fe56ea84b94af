<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\ReferenceLookup;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;

/** What came with an order goes straight to a need of the same item and site: a component is issued, for a customer it is held. */
final class StraightTo
{
    /**
     * @param  Network  $network  in which it has come
     * @param  string  $to  reference of the need
     * @param  int  $qty  that came, millionths
     * @return IssuePart|IssueToJob|HoldSupply|null null where that does not wait for it
     */
    public static function of(Network $network, OpenOrder $order, string $to, int $qty): IssuePart|IssueToJob|HoldSupply|null
    {
        $need = Reference::tryParse($to);

        return match ($need?->kind) {
            ReferenceKind::Part => self::issued($network, $order, $need, $qty),
            ReferenceKind::Job => self::toJob($network, $order, $need, $qty),
            ReferenceKind::Sales => self::held($network, $order, $need, $qty),
            default => null,
        };
    }

    private static function issued(Network $network, OpenOrder $order, Reference $need, int $qty): ?IssuePart
    {
        $for = (new ReferenceLookup($network))->order($need);
        if ($for === null || $for->site !== $order->site) {
            return null;
        }
        try {
            $part = IssuePart::part($network, $for->code, substr($need->name, strlen($for->code) + 1));
        } catch (DoesNotFit) {
            return null;
        }
        $qty = min($qty, $part->open());

        return $part->item === $order->item && $qty > 0 ? new IssuePart($for->code, $part->line, $qty) : null;
    }

    private static function toJob(Network $network, OpenOrder $order, Reference $need, int $qty): ?IssueToJob
    {
        $line = (new ReferenceLookup($network))->jobLine($need);
        $qty = min($qty, $line?->open() ?? 0);

        return $line?->wanted() === $order->item && $line->site === $order->site && $qty > 0
            ? new IssueToJob($line->job, $line->line, $qty)
            : null;
    }

    private static function held(Network $network, OpenOrder $order, Reference $need, int $qty): ?HoldSupply
    {
        $line = (new ReferenceLookup($network))->salesLine($need);
        $stock = (string) Reference::stock($order->item, $order->site);
        $own = fn (Allocation $row) => $row->demand === (string) $need && $row->supply === $stock;
        foreach (array_filter($network->allocations, $own) as $row) {
            $qty += $row->qty;
        }
        $qty = min($qty, $line?->open() ?? 0);

        return $line?->item === $order->item && $line->site === $order->site && $qty > 0
            ? new HoldSupply((string) $need, $stock, $qty)
            : null;
    }
}
