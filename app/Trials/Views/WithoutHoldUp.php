<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Planning\Dates;
use App\Reading\Shapes\ThreadWithout;
use App\Support\Words;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\PlanPhrases;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;
use Yposta\Core\Shortage\Shortages;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\MoveOrder;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Trial\Trial;

/** What would decide the date of a sales line if the supply in which its delay begins came in time: found by planning it so. */
final readonly class WithoutHoldUp
{
    /**
     * @param  string  $line  reference of the sales line
     * @param  list<Change>  $changes  what makes the supply come in time, see {@see self::inTime()}
     *
     * @throws DoesNotFit when that has gone since
     */
    public static function of(Trial $trial, string $line, array $changes): ThreadWithout
    {
        return $trial->with($changes, function (Plan $plan) use ($line): ThreadWithout {
            $demand = (new Shortages($plan))->find($line)?->demand;
            $expected = $demand?->expected;
            $holdUp = $demand === null ? null : $plan->holdUp($demand);

            return $demand === null ? new ThreadWithout(null, 0, 0, '') : new ThreadWithout(
                expected: $expected === null ? null : (new Dates)->iso($expected),
                lateDays: $demand->lateDays(),
                spare: max(0, (int) $demand->date - (int) $expected),
                why: $holdUp === null
                    ? ''
                    : Words::say((new PlanPhrases($plan->structure))->holdUp($holdUp), $plan->options->planDate),
            );
        });
    }

    /**
     * What makes the supply in which a delay begins come when it is needed.
     *
     * @return list<array<string, mixed>> changes as fields
     */
    public static function inTime(Peg $beginning, string $item, string $site): array
    {
        $supply = $beginning->supply;
        $wanted = (int) $beginning->demand->date;

        return [ChangeCodec::encode($supply->isProposal()
            ? self::standIn($supply, $item, $site, $wanted)
            : new MoveOrder($supply->name, $wanted, $supply->start > $wanted ? $wanted : null))];
    }

    private static function standIn(Supply $supply, string $item, string $site, int $wanted): PutOrder
    {
        return new PutOrder(OpenOrder::of(
            code: NewOrderCode::free([])[0], kind: OrderKind::Buy, status: OrderStatus::Released, item: $item, site: $site,
            supplier: $supply->supplier, qty: $supply->qty, start: min($supply->start, $wanted), due: $wanted,
        ));
    }
}
