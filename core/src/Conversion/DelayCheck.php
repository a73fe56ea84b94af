<?php

declare(strict_types=1);

namespace Yposta\Core\Conversion;

use Yposta\Core\Network\Network;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Run\Supply;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\ProposalOrigins;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Trial\ArrivalChange;
use Yposta\Core\Trial\Effect;
use Yposta\Core\Trial\Trial;

/**
 * Plans a conversion before it is written. An order that is made of a later proposal is brought in for an earlier need of the same point,
 * and the proposal for that need is gone: the need then waits for the later order. Taking the earlier proposals along prevents it.
 */
final readonly class DelayCheck
{
    /** Proposals that are tried to be left out again, at most. */
    private const MOST_TRIES = 8;

    public function __construct(private Trial $trial, private ProposalOrigins $origins)
    {
    }

    /**
     * @param  list<PutOrder>  $chosen
     *
     * @throws DoesNotFit when they cannot be planned
     */
    public function of(array $chosen): Delays
    {
        $lines = self::late($this->trial->effect($chosen));
        if ($lines === []) {
            return new Delays([], [], []);
        }
        $along = $this->trial->with([], fn (Plan $plan) => $this->candidates($plan, $chosen));
        $left = $along === [] ? $lines : self::late($this->trial->effect([...$chosen, ...$along]));
        if ($along === [] || self::days($left) >= self::days($lines)) {
            return new Delays($lines, [], $lines);
        }
        foreach (array_slice(array_keys($along), 0, self::MOST_TRIES) as $place) {
            $without = array_values(array_diff_key($along, [$place => true]));
            if (self::days(self::late($this->trial->effect([...$chosen, ...$without]))) <= self::days($left)) {
                unset($along[$place]);
            }
        }

        return new Delays($lines, array_values($along), $left);
    }

    /**
     * The proposals of the same points that are due no later than the latest one chosen, as orders.
     *
     * @param  list<PutOrder>  $chosen
     * @return list<PutOrder>
     */
    private function candidates(Plan $plan, array $chosen): array
    {
        $latest = $taken = [];
        foreach ($chosen as $order) {
            $key = Network::key($order->order->item, $order->order->site);
            $latest[$key] = max($latest[$key] ?? 0, $order->order->due);
            $order->from === null || $taken[] = $order->from;
        }
        $orders = new ConversionOrders($plan->network, $plan->options);
        $codes = NewOrderCode::free(
            $plan->network->orders + array_fill_keys(array_map(fn (PutOrder $order) => $order->orderCode(), $chosen), true),
            count($plan->proposals()),
        );
        $along = [];
        foreach ($latest as $key => $due) {
            $index = $plan->structure->indexes[$key] ?? null;
            $alike = [];
            foreach ($index === null ? [] : $plan->supplies[$index] ?? [] as $proposal) {
                if (! $proposal->isProposal()) {
                    continue;
                }
                $point = $plan->structure->points[$proposal->point];
                $facts = serialize([$proposal->supplier, $proposal->fromSite, $proposal->qty, $proposal->start, $proposal->due]);
                $from = $this->origins->of($point, $proposal, $alike[$facts] = ($alike[$facts] ?? -1) + 1);
                if ($from !== null && $proposal->due <= $due && ! in_array($from, $taken, false) && $this->canBeOrdered($proposal)) {
                    $along[] = $orders->order($proposal, $point->item->code, $point->site->code, $codes[count($along)], from: $from);
                }
            }
        }

        return $along;
    }

    /** A purchase needs somebody to buy from. */
    private function canBeOrdered(Supply $proposal): bool
    {
        return $proposal->type?->value !== 'buy' || $proposal->supplier !== null;
    }

    /** @return list<ArrivalChange> the sales lines that get later */
    private static function late(Effect $effect): array
    {
        return array_values(array_filter($effect->lines, fn (ArrivalChange $change) => $change->hurts()));
    }

    /** @param  list<ArrivalChange>  $lines */
    private static function days(array $lines): int
    {
        return array_sum(array_map(fn (ArrivalChange $change) => max(1, $change->days()), $lines));
    }
}
