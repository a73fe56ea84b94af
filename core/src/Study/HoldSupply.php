<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Quantity;

/**
 * Holds so much of a stock or an open order for a demand (references as in section 9). What was held for that pair before is replaced
 * where it stood. Nothing is held twice.
 */
final readonly class HoldSupply implements Change
{
    use OrderChange;

    /**
     * @param  int  $qty  millionths
     * @param  int|null  $place  where it is put among what is held, which counts in that order; null for the end
     */
    public function __construct(public string $demand, public string $supply, public int $qty, public ?int $place = null)
    {
    }

    public function apply(Network $network): Network
    {
        if ($this->qty <= 0) {
            throw new DoesNotFit('a quantity above 0 is held, or none');
        }
        if (! preg_match('/^(stock|order):/', $this->supply) || preg_match('/^(part|out):proposal:/', $this->demand)) {
            throw new DoesNotFit('only stock and open orders can be held, and not for a proposal');
        }

        $this->check($network);
        $others = FreeSupply::others($network, $this->demand, $this->supply);
        $free = $this->quantity($network) - array_sum(array_map(fn (Allocation $held) => $held->supply === $this->supply ? $held->qty : 0, $others));
        if ($this->qty > $free) {
            throw new DoesNotFit(($free > 0 ? 'only '.Quantity::format($free) : 'nothing')." of {$this->supply} is free to be held".$this->holders($others));
        }

        $place = $this->place ?? self::placeOf($network, $this->demand, $this->supply) ?? count($others);
        array_splice($others, $place, 0, [new Allocation($this->demand, $this->supply, $this->qty)]);

        return $network->with(allocations: $others);
    }

    /** Both ends have to be there, and of one item and site; else it would hold what nobody gets. */
    private function check(Network $network): void
    {
        [$kind, $name] = explode(':', $this->demand, 2);
        $at = strrpos($name, '/');
        $wanted = match ($kind) {
            'sales' => $this->ofSalesLine($network, $name),
            'part' => $this->ofComponent($network, substr($name, 0, (int) $at), substr($name, (int) $at + 1)),
            'out' => isset($network->orders[$name]) ? [$network->orders[$name]->item, $network->orders[$name]->fromSite] : throw new DoesNotFit("there is no open order {$name}"),
            default => null,
        };
        [$kind, $name] = explode(':', $this->supply, 2);
        $order = $kind === 'order' ? $network->orders[$name] ?? throw new DoesNotFit("there is no open order {$name}") : null;
        $given = $order === null ? $name : "{$order->item}@{$order->site}";
        if ($wanted !== null && "{$wanted[0]}@{$wanted[1]}" !== $given) {
            throw new DoesNotFit("{$this->supply} is of {$given}, and {$this->demand} needs {$wanted[0]}@{$wanted[1]}");
        }
    }

    /** @return array{string, string} item and site */
    private function ofSalesLine(Network $network, string $name): array
    {
        foreach ($network->sales as $line) {
            if ("{$line->order}/{$line->line}" === $name) {
                return [$line->item, $line->site];
            }
        }
        throw new DoesNotFit("there is no sales line {$name}");
    }

    /** @return array{string, string}|null item and site; null where the structure tells, which a run knows */
    private function ofComponent(Network $network, string $code, string $line): ?array
    {
        $order = $network->orders[$code] ?? throw new DoesNotFit("there is no open order {$code}");
        $rows = self::rows($network, $code);
        foreach ($rows as $row) {
            if ($row->line === $line) {
                return [$row->item, $order->site];
            }
        }

        return $rows === [] ? null : throw new DoesNotFit("order {$code} has no component {$line}");
    }

    /** What there is of the supply, in millionths. */
    private function quantity(Network $network): int
    {
        [$kind, $name] = explode(':', $this->supply, 2);
        if ($kind === 'order') {
            return isset($network->orders[$name]) ? $network->orders[$name]->open() : throw new DoesNotFit("there is no open order {$name}");
        }
        foreach ($network->stock as $stock) {
            if ("{$stock->item}@{$stock->site}" === $name) {
                return $stock->qty;
            }
        }

        return 0;
    }

    /** @param  list<Allocation>  $others */
    private function holders(array $others): string
    {
        $names = array_map(fn (Allocation $held) => $held->demand, array_filter($others, fn (Allocation $held) => $held->supply === $this->supply));

        return $names === [] ? '' : '; the rest is held for '.implode(', ', array_map(fn (string $demand) => substr($demand, strpos($demand, ':') + 1), $names));
    }

    public function inverse(Network $before): array
    {
        return self::putBack($before, $this->demand, $this->supply);
    }

    /**
     * What makes that what is held for a pair is what it was, and leaves what others hold alone.
     *
     * @return list<Change>
     */
    public static function putBack(Network $before, string $demand, string $supply): array
    {
        $rows = array_values(array_filter($before->allocations, fn (Allocation $held) => $held->demand === $demand && $held->supply === $supply));
        if (count($rows) > 1) {
            return [new PutAllocations($before->allocations)];
        }

        return [$rows === [] ? new FreeSupply($demand, $supply) : new self($demand, $supply, $rows[0]->qty, self::placeOf($before, $demand, $supply))];
    }

    private static function placeOf(Network $network, string $demand, string $supply): ?int
    {
        foreach ($network->allocations as $place => $held) {
            if ($held->demand === $demand && $held->supply === $supply) {
                return $place;
            }
        }

        return null;
    }
}
