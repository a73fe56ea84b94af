<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\NetworkReader;
use App\Reading\Shapes\ContentRow;
use App\Support\CostText;
use App\Support\Settings;
use Brick\Math\BigInteger;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Structure\CostRollUp;

/** What goes into two items, side by side. */
final readonly class StructuresView
{
    private Network $network;

    private CostRollUp $roll;

    public function __construct(NetworkReader $reader)
    {
        $this->network = $reader->structures();
        $this->roll = new CostRollUp($this->network, Day::parse(Settings::planDate()));
    }

    /** The name of an item; null where there is none. */
    public function name(string $item): ?string
    {
        return isset($this->network->items[$item]) ? $this->network->items[$item]->name : null;
    }

    public function cost(string $item): string
    {
        return Quantity::format($this->roll->of($item));
    }

    /**
     * @param  bool  $down  to what has no components, instead of their own components
     * @return list<ContentRow> by component
     */
    public function rows(string $first, string $second, bool $down): array
    {
        $both = [$this->roll->content($first, $down), $this->roll->content($second, $down)];
        $components = array_map(strval(...), array_keys($both[0] + $both[1]));
        sort($components, SORT_STRING);

        return array_map(function (string $component) use ($both): ContentRow {
            $item = $this->network->items[$component] ?? null;
            [$one, $other] = [$both[0][$component] ?? null, $both[1][$component] ?? null];

            return new ContentRow(
                component: $component, name: $item->name ?? '', unit: $item->unit ?? '',
                first: $one === null ? null : Quantity::format($one), second: $other === null ? null : Quantity::format($other),
                firstCost: $this->costOf($component, $one), secondCost: $this->costOf($component, $other), isSame: $one === $other,
            );
        }, $components);
    }

    /** @param  int|null  $qty  millionths */
    private function costOf(string $component, ?int $qty): string
    {
        return CostText::ofProduct(BigInteger::of($qty ?? 0)->multipliedBy($this->roll->of($component)));
    }
}
