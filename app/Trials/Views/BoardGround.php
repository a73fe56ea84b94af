<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Support\Refused;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Scheduling\Schedule;
use Yposta\Core\Scheduling\ShopPlan;
use Yposta\Core\Trial\Trial;

/** The shop as it stands, for the board: what has a place is there, the rest where it ends soonest, whether or not the plan goes by it. */
final readonly class BoardGround
{
    /** Days of proposals that are on the board where the plan does not say. */
    private const PROPOSALS = 14;

    public Shop $shop;

    private function __construct(public Plan $plan, public Schedule $schedule)
    {
        $this->shop = ShopPlan::shop($plan);
    }

    /**
     * @template T
     *
     * @param  callable(self): T  $read
     * @return T
     */
    public static function read(Trial $trial, callable $read): mixed
    {
        return $trial->with([], function (Plan $plan) use ($read): mixed {
            $isPlanned = $plan->options->schedule;
            $plan->work->planned->restore();
            $schedule = ShopPlan::asItStands($plan, $isPlanned ? $plan->options->scheduleDays : self::PROPOSALS);
            if ($isPlanned) {
                ShopPlan::by($schedule, $plan->network, $plan->work);

                return $read(new self($plan, $schedule));
            }
            $schedule->apply();
            try {
                return $read(new self($plan, $schedule));
            } finally {
                $plan->work->planned->restore();
            }
        });
    }

    /** By what the board asks for an order or a proposal: a proposal by its item, site, due date and number among those. */
    public function of(Supply $supply): string
    {
        if (! $supply->isProposal()) {
            return "order:{$supply->name}";
        }
        $point = $this->plan->structure->points[$supply->point];

        return implode("\t", ['proposal', $point->item->code, $point->site->code, $supply->due, $this->plan->placeAmongDue($supply)]);
    }

    /** @throws Refused when it is not there any more */
    public function find(string $of): Supply
    {
        $parts = explode("\t", $of);
        $code = str_starts_with($of, 'order:') ? substr($of, strlen('order:')) : null;
        $order = $code === null ? null : $this->plan->network->orders[$code] ?? null;
        $point = $order !== null
            ? $this->plan->structure->find($order->item, $order->site)
            : (count($parts) === 5 ? $this->plan->structure->find($parts[1], $parts[2]) : null);
        foreach ($point === null ? [] : $this->plan->supplies[$point->index] ?? [] as $supply) {
            $isIt = $order === null
                ? $supply->isProposal() && $this->of($supply) === $of
                : $supply->kind === SupplyKind::Order && $supply->name === $code;
            if ($isIt) {
                return $supply;
            }
        }
        throw Refused::because('board.gone', [], 'gone');
    }

    /** Minutes from 00:00 of the plan date. */
    public function minute(int $minute): int
    {
        return $minute - $this->plan->options->planDate * Minute::DAY;
    }
}
