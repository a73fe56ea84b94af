<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Quantity\Factor;
use Yposta\Core\Quantity\Quantity;

/**
 * Uses a substitute for a component of one open order, in whole or in part. Components that the order left to the structure are written
 * out first.
 */
final readonly class SwapComponent implements OfOrder
{
    use OrderChange;

    /**
     * @param  string  $line  of the component in the order
     * @param  int  $ratio  how much of the substitute stands for one of the component, millionths
     * @param  int|null  $qty  how much of the component is replaced, millionths; null for all that is open
     */
    public function __construct(
        public string $order,
        public string $line,
        public string $substitute,
        #[Column(new Decimal)] public int $ratio = Quantity::ONE,
        #[Column(new Decimal)] public ?int $qty = null,
    ) {
    }

    public function apply(Network $network): Network
    {
        self::order($network, $this->order);
        $substitute = $network->items[$this->substitute] ?? throw DoesNotFit::because('no_item', ['item' => $this->substitute]);
        $rows = self::rows($network, $this->order) ?: OrderRows::of($network, $this->order);
        foreach ($rows as $place => $row) {
            if ($row->line !== $this->line) {
                continue;
            }
            $replaced = min($this->qty ?? $row->open(), $row->open());
            if ($replaced <= 0) {
                break;
            }
            $taken = Factor::share($replaced, $this->ratio, Quantity::ONE, $substitute->step());
            $new = OrderComponent::of(
                order: $this->order,
                line: $this->freeLine($rows),
                item: $this->substitute,
                qty: $taken,
                need: $row->need,
            );
            $left = $row->with(qty: $row->qty - $replaced);
            array_splice($rows, $place, 1, $left->qty === 0 ? [$new] : [$left, $new]);

            return self::putRows($network, $this->order, $rows);
        }
        throw DoesNotFit::because('needs_no_more', ['order' => $this->order, 'line' => $this->line]);
    }

    public function inverse(Network $before): array
    {
        return [new PutComponents($this->order, self::rows($before, $this->order))];
    }

    /**
     * The line that the substitute gets in an order that a network has.
     *
     * @throws DoesNotFit when it has none
     */
    public function substituteLine(Network $network): string
    {
        self::order($network, $this->order);

        return $this->freeLine(self::rows($network, $this->order) ?: OrderRows::of($network, $this->order));
    }

    /** @param  array<OrderComponent>  $rows */
    private function freeLine(array $rows): string
    {
        $taken = array_column($rows, 'line');
        for ($number = 1; in_array("{$this->line}.S{$number}", $taken, true); $number++);

        return "{$this->line}.S{$number}";
    }
}
