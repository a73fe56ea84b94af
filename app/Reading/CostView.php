<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\NetworkReader;
use App\Reading\Shapes\CostPartRow;
use App\Reading\Shapes\CostRow;
use App\Reading\Shapes\CostRows;
use App\Reading\Shapes\CostTrial;
use App\Support\Refused;
use App\Support\Settings;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\Item;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Structure\CostPart;
use Yposta\Core\Structure\CostRollUp;

/** What items cost in material today, rolled up from the bottom, and what another cost of one of them would do. */
final class CostView
{
    public const ROWS = 150;

    /** Columns that the list can be sorted by. */
    public const SORTED = ['item' => 'item', 'cost' => 'cost', 'price' => 'price', 'margin' => 'margin', 'percent' => 'percent', 'change' => 'change'];

    private readonly Network $network;

    private readonly CostRollUp $now;

    private readonly CostRollUp $tried;

    /**
     * @param  string  $item  whose cost is tried; empty for none
     * @param  int|null  $to  what one of it would cost, millionths of the currency; null for none
     *
     * @throws Refused when there is no such item
     */
    public function __construct(NetworkReader $reader, private readonly string $item = '', private readonly ?int $to = null)
    {
        $this->network = $reader->structures();
        $day = Day::parse(Settings::planDate());
        $this->now = new CostRollUp($this->network, $day);
        $to !== null && ! isset($this->network->items[$item]) && throw Refused::because('data.no_item', ['item' => $item], 'item');
        $this->tried = $to === null ? $this->now : new CostRollUp($this->network, $day, [$item => $to]);
    }

    /**
     * Items that are sold, or all that there are; where a cost is tried, those that it changes first.
     *
     * @param  int  $from  place in the list
     */
    public function rows(string $text, bool $all, ListOrder $order, int $from = 0): CostRows
    {
        $items = array_filter($this->network->items, fn (Item $item) => ($all || $item->salesPrice > 0 || $this->isOther($item->code))
            && ($text === '' || mb_stripos("{$item->code} {$item->name}", $text) !== false));
        $value = fn (Item $item): int|string => match ($order->by) {
            'cost' => $this->tried->of($item->code),
            'price' => $item->salesPrice,
            'margin' => $item->salesPrice === 0 ? PHP_INT_MIN : $item->salesPrice - $this->tried->of($item->code),
            'percent' => $this->percent($item) ?? PHP_INT_MIN,
            'change' => $this->tried->of($item->code) - $this->now->of($item->code),
            default => $item->code,
        };
        $keys = array_map(fn (Item $item) => [$order->by === '' && $this->isOther($item->code) ? 0 : 1, $value($item), $item->code], $items);
        uksort($items, fn (int|string $a, int|string $b) => $keys[$a][0] <=> $keys[$b][0]
            ?: ($order->down ? -1 : 1) * ($keys[$a][1] <=> $keys[$b][1]) ?: strcmp($keys[$a][2], $keys[$b][2]));

        return new CostRows(array_map($this->row(...), array_values(array_slice($items, $from, self::ROWS))), count($items));
    }

    /** @return list<CostPartRow> what an item is made of, the dearest first */
    public function parts(string $item): array
    {
        $whole = max(1, $this->tried->of($item));

        return array_map(function (CostPart $part) use ($whole): CostPartRow {
            $component = $this->network->items[$part->component] ?? null;

            return new CostPartRow(
                component: $part->component, name: $component->name ?? '', qty: Quantity::format($part->qty), unit: $component->unit ?? '',
                each: Quantity::format($part->each), cost: Quantity::format($part->cost),
                share: (int) round(1000 * $part->cost / $whole), isRolled: $this->tried->isRolled($part->component),
            );
        }, $this->tried->parts($item));
    }

    public function trial(): ?CostTrial
    {
        if ($this->to === null) {
            return null;
        }
        $item = $this->network->items[$this->item];
        $changed = array_filter(array_keys($this->network->items), fn (int|string $code) => $this->isOther((string) $code));

        return new CostTrial(
            $item->code, $item->name, Quantity::format($this->to), Quantity::format($this->now->of($item->code)), count($changed),
            EditedRows::of(Item::class, [[$item, $item->with(unitCost: $this->to)]])->change ?? '',
        );
    }

    private function isOther(string $item): bool
    {
        return $this->to !== null && $this->now->of($item) !== $this->tried->of($item);
    }

    private function percent(Item $item): ?int
    {
        return $item->salesPrice === 0 ? null : (int) round(1000 * ($item->salesPrice - $this->tried->of($item->code)) / $item->salesPrice);
    }

    private function row(Item $item): CostRow
    {
        $cost = $this->tried->of($item->code);
        $isOther = $this->isOther($item->code);
        $margin = fn (int $cost): ?string => $item->salesPrice === 0 ? null : self::signed($item->salesPrice - $cost);

        return new CostRow(
            item: $item->code,
            name: $item->name,
            unit: $item->unit,
            isRolled: $this->tried->isRolled($item->code),
            cost: Quantity::format($cost),
            kept: Quantity::format($item->unitCost),
            price: $item->salesPrice === 0 ? null : Quantity::format($item->salesPrice),
            margin: $margin($cost),
            percent: $this->percent($item),
            before: $isOther ? Quantity::format($this->now->of($item->code)) : null,
            marginBefore: $isOther ? $margin($this->now->of($item->code)) : null,
        );
    }

    private static function signed(int $millionths): string
    {
        return ($millionths < 0 ? '-' : '').Quantity::format(abs($millionths));
    }
}
