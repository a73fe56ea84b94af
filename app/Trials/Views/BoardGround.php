<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Support\Refused;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\SupplyIdentity;
use Yposta\Core\Run\Supply;
use Yposta\Core\Scheduling\Schedule;
use Yposta\Core\Scheduling\ShopPlan;
use Yposta\Core\Trial\ShopStand;
use Yposta\Core\Trial\Trial;

/** The shop as it stands, for the board: what has a place is there, the rest where it ends soonest, whether or not the plan goes by it. */
final readonly class BoardGround
{
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
        return (new ShopStand($trial))->with([], fn (Plan $plan, Schedule $schedule) => $read(new self($plan, $schedule)));
    }

    /** By what the board asks for an order or a proposal. */
    public function of(Supply $supply): string
    {
        return SupplyIdentity::of($this->plan, $supply);
    }

    /** @throws Refused when it is not there any more */
    public function find(string $of): Supply
    {
        return SupplyIdentity::find($this->plan, $of) ?? throw Refused::because('board.gone', [], 'gone');
    }

    /** Minutes from 00:00 of the plan date. */
    public function minute(int $minute): int
    {
        return $minute - $this->plan->options->planDate * Minute::DAY;
    }
}
