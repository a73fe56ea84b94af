<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\ReferenceLookup;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;
use Yposta\Core\Support\Phrase;

/**
 * Holds so much of a stock or an open order for a demand (references as in section 9). What was held for that pair before is replaced
 * where it stood. Nothing is held twice.
 */
final readonly class HoldSupply implements Change
{
    /**
     * @param  int  $qty  millionths
     * @param  int|null  $place  where it is put among what is held, which counts in that order; null for the end
     */
    public function __construct(
        public string $demand,
        public string $supply,
        #[Column(new Decimal)] public int $qty,
        public ?int $place = null,
    ) {
    }

    public function apply(Network $network): Network
    {
        if ($this->qty <= 0) {
            throw DoesNotFit::because('hold_of_nothing');
        }
        $lookup = new ReferenceLookup($network);
        [$item, $site, $there] = self::given($lookup, $network, $this->supply);
        $wanted = self::wanted($lookup, $this->demand);
        if ($wanted !== null && $wanted !== [$item, $site]) {
            throw DoesNotFit::because(
                'hold_of_another',
                [
                    'supply' => self::named($this->supply), 'of' => "{$item}@{$site}", 'demand' => self::named($this->demand),
                    'wanted' => implode('@', $wanted),
                ],
            );
        }
        $others = FreeSupply::others($network, $this->demand, $this->supply);
        $free = $there - array_sum(array_map(fn (Allocation $held) => $held->supply === $this->supply ? $held->qty : 0, $others));
        if ($this->qty > $free) {
            throw $this->notFree($free, $others);
        }
        $place = $this->place ?? self::placeOf($network, $this->demand, $this->supply) ?? count($others);
        array_splice($others, $place, 0, [Allocation::of(demand: $this->demand, supply: $this->supply, qty: $this->qty)]);

        return $network->with(allocations: $others);
    }

    public function inverse(Network $before): array
    {
        return self::putBack($before, $this->demand, $this->supply);
    }

    /** A reference in a sentence: stock is called so, of the others the name tells enough. */
    public static function named(string $reference): Phrase
    {
        $parsed = Reference::tryParse($reference);
        $code = match ($parsed?->kind) {
            ReferenceKind::Stock => 'named.stock',
            ReferenceKind::Safety => 'named.safety',
            ReferenceKind::Forecast => 'named.forecast',
            default => 'named.other',
        };

        return new Phrase($code, ['name' => $parsed->name ?? $reference]);
    }

    /**
     * What makes that what is held for a pair is what it was, and leaves what others hold alone.
     *
     * @return list<Change>
     */
    public static function putBack(Network $before, string $demand, string $supply): array
    {
        $rows = array_values(array_filter(
            $before->allocations,
            fn (Allocation $held) => $held->demand === $demand && $held->supply === $supply,
        ));
        if (count($rows) > 1) {
            return [new PutAllocations($before->allocations)];
        }

        return [$rows === []
            ? new FreeSupply($demand, $supply)
            : new self($demand, $supply, $rows[0]->qty, self::placeOf($before, $demand, $supply))];
    }

    /**
     * The item and site of a supply that can be held, and what there is of it in millionths.
     *
     * @return array{string, string, int}
     */
    private static function given(ReferenceLookup $lookup, Network $network, string $text): array
    {
        $reference = Reference::tryParse($text);
        if ($reference?->kind === ReferenceKind::Order) {
            $order = $lookup->order($reference) ?? throw DoesNotFit::because('no_order', ['order' => $reference->name]);

            return [$order->item, $order->site, $order->open()];
        }
        if ($reference?->kind !== ReferenceKind::Stock) {
            throw DoesNotFit::because('no_supply_to_hold', ['supply' => $text]);
        }
        [$item, $site] = $lookup->point($reference) ?? throw DoesNotFit::because('no_stock', ['stock' => $reference->name]);
        $there = 0;
        foreach ($network->stock as $stock) {
            $stock->item === $item && $stock->site === $site && $there = $stock->qty;
        }

        return [$item, $site, $there];
    }

    /**
     * The item and site that a demand is of; null where only a run knows. Both ends of a hold have to be there, else it would hold what
     * nobody gets.
     *
     * @return array{string, string}|null
     */
    private static function wanted(ReferenceLookup $lookup, string $text): ?array
    {
        $reference = Reference::tryParse($text);
        if ($reference === null || $reference->kind->isSupply() || $reference->ofProposal() !== null) {
            throw DoesNotFit::because('no_demand_to_hold_for', ['demand' => $text]);
        }
        if ($reference->kind === ReferenceKind::Sales) {
            $line = $lookup->salesLine($reference) ?? throw DoesNotFit::because('no_sales_line', ['line' => $reference->name]);

            return [$line->item, $line->site];
        }
        if ($reference->kind === ReferenceKind::Job) {
            $line = $lookup->jobLine($reference) ?? throw DoesNotFit::because('no_job_line', ['line' => $reference->name]);

            return [$line->wanted() ?? throw DoesNotFit::because('not_approved', ['line' => $reference->name]), $line->site];
        }
        if ($reference->kind === ReferenceKind::Part || $reference->kind === ReferenceKind::Out) {
            $order = $lookup->order($reference) ?? throw DoesNotFit::because(
                'no_order',
                ['order' => $reference->orders()[0] ?? $reference->name],
            );
            $row = $lookup->component($reference);

            return match (true) {
                $reference->kind === ReferenceKind::Out => [$order->item, (string) $order->fromSite],
                $row !== null => [$row->item, $order->site],
                $lookup->hasRows($order->code) => throw DoesNotFit::because(
                    'no_component',
                    ['order' => $order->code, 'line' => substr($reference->name, strlen($order->code) + 1)],
                ),
                default => null,
            };
        }

        return $reference->kind === ReferenceKind::Safety
            ? $lookup->point($reference) ?? throw DoesNotFit::because('no_stock', ['stock' => $reference->name])
            : ($lookup->forecast($reference) === null ? throw DoesNotFit::because('no_forecast', ['forecast' => $reference->name]) : null);
    }

    /** @param  list<Allocation>  $others */
    private function notFree(int $free, array $others): DoesNotFit
    {
        $holders = array_values(array_map(
            fn (Allocation $held) => self::named($held->demand),
            array_filter($others, fn (Allocation $held) => $held->supply === $this->supply),
        ));
        $code = ($free > 0 ? 'only_so_much_free' : 'nothing_free').($holders === [] ? '' : '_held');

        return DoesNotFit::because($code, ['qty' => new Amount($free), 'supply' => self::named($this->supply), 'holders' => $holders]);
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
