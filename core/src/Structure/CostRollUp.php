<?php

declare(strict_types=1);

namespace Yposta\Core\Structure;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Yposta\Core\Network\Basis;
use Yposta\Core\Network\BomLine;
use Yposta\Core\Network\Item;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Quantity\Quantity;

/**
 * What items cost in material, from the bottom of the structure up. What is made is the sum of its components that are valid on a day,
 * each by its quantity for one, scrap included; what is needed once per order is left out, as it depends on the order's size. What is
 * not made, or has no components, costs what its master data say. Of lines for single sites those of the first site count that makes the
 * item.
 */
final class CostRollUp
{
    /** Decimals that are carried on the way up; what is said has six. */
    private const SCALE = 12;

    private const WHOLE_PERCENT = 100 * Quantity::ONE;

    /** @var array<string, list<BomLine>> by item */
    private array $lines = [];

    /** @var array<string, BigDecimal|null> of one, in the currency; null while it is worked out */
    private array $costs = [];

    /**
     * @param  int  $day  on which structures are looked at
     * @param  array<string, int>  $prices  what items would cost instead, millionths by code
     */
    public function __construct(private readonly Network $network, int $day, private readonly array $prices = [])
    {
        $sites = [];
        $isPlanned = [];
        foreach ($network->planning as $point) {
            $isPlanned[$point->item] = true;
            if ($point->supply === OrderKind::Make) {
                $sites[$point->item] = min($sites[$point->item] ?? $point->site, $point->site);
            }
        }
        foreach ($network->bom as $line) {
            $isMade = isset($sites[$line->item]) || ! isset($isPlanned[$line->item]);
            $isValid = ($line->validFrom === null || $line->validFrom <= $day) && ($line->validTo === null || $line->validTo >= $day);
            $isHere = $line->site === null || $line->site === ($sites[$line->item] ?? $line->site);
            if ($isMade && $isValid && $isHere && $line->basis === Basis::Unit) {
                $this->lines[$line->item][] = $line;
            }
        }
    }

    /** Of one, millionths of the currency. */
    public function of(string $item): int
    {
        return self::millionths($this->cost($item));
    }

    /** Whether its cost is that of its components. */
    public function isRolled(string $item): bool
    {
        return isset($this->lines[$item]) && ! isset($this->prices[$item]);
    }

    /**
     * What it is made of, the dearest first.
     *
     * @return list<CostPart>
     */
    public function parts(string $item): array
    {
        $parts = [];
        foreach ($this->isRolled($item) ? $this->lines[$item] : [] as $line) {
            $qty = self::quantity($line);
            $parts[] = new CostPart(
                $line->line, $line->component, self::millionths($qty), $this->of($line->component),
                self::millionths($qty->multipliedBy($this->cost($line->component))),
            );
        }
        usort($parts, fn (CostPart $a, CostPart $b) => $b->cost <=> $a->cost ?: strcmp($a->component, $b->component));

        return $parts;
    }

    /**
     * What goes into one of it: its components, or down to what has none itself.
     *
     * @return array<string|int, int> quantities with scrap, millionths, by component
     */
    public function content(string $item, bool $down): array
    {
        $found = [];
        $this->collect($item, BigDecimal::one(), $down, [$item => true], $found);
        ksort($found, SORT_STRING);

        return array_map(self::millionths(...), $found);
    }

    /**
     * @param  array<string|int, true>  $above  items that it stands in; one of them below itself is a loop, and not gone into
     * @param  array<string|int, BigDecimal>  $found
     */
    private function collect(string $item, BigDecimal $times, bool $down, array $above, array &$found): void
    {
        foreach ($this->isRolled($item) ? $this->lines[$item] : [] as $line) {
            $qty = $times->multipliedBy(self::quantity($line))->toScale(self::SCALE, RoundingMode::HALF_UP);
            if ($down && $this->isRolled($line->component) && ! isset($above[$line->component])) {
                $this->collect($line->component, $qty, true, $above + [$line->component => true], $found);
            } else {
                $found[$line->component] = ($found[$line->component] ?? BigDecimal::zero())->plus($qty);
            }
        }
    }

    private function cost(string $item): BigDecimal
    {
        if (array_key_exists($item, $this->costs)) {
            return $this->costs[$item] ?? $this->own($item); // a loop: what is known of it
        }
        $this->costs[$item] = null;
        $cost = $this->own($item);
        if ($this->isRolled($item)) {
            $cost = BigDecimal::zero();
            foreach ($this->lines[$item] as $line) {
                $cost = $cost->plus(self::quantity($line)->multipliedBy($this->cost($line->component)));
            }
        }

        return $this->costs[$item] = $cost->toScale(self::SCALE, RoundingMode::HALF_UP);
    }

    private function own(string $item): BigDecimal
    {
        $known = $this->network->items[$item] ?? null;

        return BigDecimal::ofUnscaledValue($this->prices[$item] ?? ($known instanceof Item ? $known->unitCost : 0), 6);
    }

    /** For one of the item. */
    private static function quantity(BomLine $line): BigDecimal
    {
        $base = BigDecimal::of($line->baseQty)->multipliedBy(self::WHOLE_PERCENT - $line->scrap);

        return BigDecimal::of($line->qty)->multipliedBy(self::WHOLE_PERCENT)->dividedBy($base, self::SCALE, RoundingMode::HALF_UP);
    }

    private static function millionths(BigDecimal $value): int
    {
        $millionths = $value->toScale(6, RoundingMode::HALF_UP)->getUnscaledValue();

        return $millionths->isGreaterThan(PHP_INT_MAX) ? PHP_INT_MAX : $millionths->toInt();
    }
}
