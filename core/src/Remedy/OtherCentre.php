<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Scheduling\Load;
use Yposta\Core\Scheduling\LoadEntry;
use Yposta\Core\Scheduling\ShopPlan;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\DoElsewhere;
use Yposta\Core\Study\OperationRows;
use Yposta\Core\Study\ProposalOrigins;
use Yposta\Core\Support\Phrase;

/** Operations are done at another work centre that can do them and has room in the same period. */
final readonly class OtherCentre extends Remedy
{
    /** @param  non-empty-list<Change>  $changes */
    private function __construct(array $changes, private int $orders, private string $centres, private int $minutes)
    {
        parent::__construct($changes);
    }

    /** @return list<self> one, or none where nothing can be done elsewhere */
    public static function find(Plan $plan, Load $load, string $centre, int $place, ProposalOrigins $origins): array
    {
        $over = $load->cells[$centre][$place]->load - $load->cells[$centre][$place]->capacity;
        $entries = $load->at($centre, $place);
        usort($entries, fn (LoadEntry $one, LoadEntry $other) => $other->minutes <=> $one->minutes);
        $proposals = new ProposalOrders($plan, $origins);
        $changes = $used = [];
        $minutes = $orders = $made = 0;
        foreach ($entries as $entry) {
            $other = $minutes < $over ? self::elsewhere($plan, $load, $entry, $place, $used) : null;
            if ($other === null) {
                continue;
            }
            $supply = $entry->laid->supply;
            $put = $supply->kind === SupplyKind::Order ? null : $proposals->of($supply, $supply->due, $supply->start, $made++);
            $put === null || $changes[] = $put;
            $changes[] = new DoElsewhere($put === null ? $supply->name : $put->orderCode(), $entry->laid->work->op, $other);
            $minutes += $entry->minutes;
            $orders++;
        }

        return $changes === [] ? [] : [new self($changes, $orders, implode(', ', array_keys($used)), $minutes)];
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::OtherCentre;
    }

    protected function values(): array
    {
        return [
            'orders' => new Phrase('orders', ['count' => $this->orders]), 'centre' => $this->centres,
            'hours' => sprintf('%.1f', $this->minutes / 60),
        ];
    }

    /**
     * @param  array<string, float>  $used  minutes of other centres that are taken by those before, by centre; what this takes is added
     */
    private static function elsewhere(Plan $plan, Load $load, LoadEntry $entry, int $place, array &$used): ?string
    {
        $point = $plan->structure->points[$entry->laid->supply->point];
        foreach (ShopPlan::shop($plan)->routings->of($point->item->code, $point->site->code) as $row) {
            $speeds = $row->op === $entry->laid->work->op ? OperationRows::speeds($plan->network, $row) : [];
            $own = $speeds[$entry->laid->work->centre] ?? null;
            foreach ($own === null ? [] : $speeds as $other => $speed) {
                $needs = (float) ($entry->minutes * $own / $speed);
                $cell = $load->cells[$other][$place] ?? null;
                $isRoom = $cell !== null && $other !== $entry->laid->work->centre
                    && $cell->capacity - $cell->load - ($used[$other] ?? 0) >= $needs;
                if ($isRoom && $plan->network->workCentres[$other]->units >= $entry->laid->work->crew) {
                    $used[$other] = ($used[$other] ?? 0) + $needs;

                    return (string) $other;
                }
            }
        }

        return null;
    }
}
