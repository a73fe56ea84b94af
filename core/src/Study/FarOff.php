<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Network\Stock;
use Yposta\Core\Network\WrittenRows;
use Yposta\Core\Quantity\QuantityGuard;

/** A quantity that somebody typed and that is so far from what stood there that one should ask. Quantities in millionths. */
final readonly class FarOff
{
    private function __construct(public string $item, public int $before, public int $after)
    {
    }

    /** @return list<self> */
    public static function of(Change $change, Network $before, Network $after): array
    {
        if (! $change instanceof ResizeOrder && ! $change instanceof ChangeSalesLine && ! $change instanceof ChangeStock) {
            return [];
        }
        $found = [];
        foreach (WrittenRows::between($before, $after)->all() as [$old, $new]) {
            $ofAmount = $old instanceof OpenOrder || $old instanceof SalesLine || $old instanceof Stock;
            if ($ofAmount && $new instanceof $old && $old->qty > 0 && QuantityGuard::isAbsurd($old->qty, $new->qty)) {
                $found[] = new self($old->item, $old->qty, $new->qty);
            }
        }

        return $found;
    }
}
