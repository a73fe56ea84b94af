<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\User;
use App\Support\Roles;
use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\Closure;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\ForecastName;
use Yposta\Core\Network\JobActivity;
use Yposta\Core\Network\JobHeading;
use Yposta\Core\Network\JobLine;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderOperation;
use Yposta\Core\Network\ProposalOperation;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Network\Shift;
use Yposta\Core\Network\Stock;
use Yposta\Core\Network\WrittenRows;
use Yposta\Core\Study\AddShift;
use Yposta\Core\Study\BringOrders;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangePlanning;
use Yposta\Core\Study\ChangeSalesLine;
use Yposta\Core\Study\ChangeStock;
use Yposta\Core\Study\CloseCentre;
use Yposta\Core\Study\FreeSupply;
use Yposta\Core\Study\HoldSupply;
use Yposta\Core\Study\OfOrder;
use Yposta\Core\Study\PlaceOrders;
use Yposta\Core\Study\PlaceProposals;
use Yposta\Core\Study\PutAllocations;
use Yposta\Core\Study\PutClosures;
use Yposta\Core\Study\PutDays;
use Yposta\Core\Study\PutDemand;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Study\PutPlanning;
use Yposta\Core\Study\PutRows;
use Yposta\Core\Study\PutSalesLine;
use Yposta\Core\Study\PutShifts;
use Yposta\Core\Study\ReleaseOrder;
use Yposta\Core\Study\RemoveSalesLine;
use Yposta\Core\Study\ScaleDemand;
use Yposta\Core\Study\SetForecast;
use Yposta\Core\Study\WorkDays;

/** Who may write which change into the live data. */
final class ChangeRights
{
    /** Rows that say what is wanted. */
    private const DEMAND = [
        SalesLine::class, ForecastBucket::class, ForecastName::class, JobHeading::class, JobActivity::class, JobLine::class,
    ];

    /** What the change is called, and every row that it has really written, must be the person's to write. */
    public static function may(User $user, Change $change, Network $before, Network $after): bool
    {
        $needed = [self::needed($change, $before) => true];
        foreach (WrittenRows::between($before, $after)->all() as $pair) {
            if (self::isApproval(...$pair)) {
                $needed[Roles::APPROVE] = true;
            }
            foreach (array_filter($pair) as $row) {
                // what a transfer takes along when it is released belongs to it, and what is held for a line that goes goes with it
                $isTaken = ($change instanceof ReleaseOrder && ($row instanceof Stock || $row instanceof Allocation))
                    || (self::isOfSales($change) && $row instanceof Allocation);
                $isTaken || $needed[self::ofRow($row, $before, $after)] = true;
            }
        }

        return $user->can(array_keys($needed));
    }

    /** The permission to make and change orders of a kind. */
    public static function ofKind(OrderKind $kind): string
    {
        return match ($kind) {
            OrderKind::Make => Roles::MAKE,
            OrderKind::Buy => Roles::BUY,
            OrderKind::Transfer => Roles::TRANSFER,
        };
    }

    /**
     * The permission to write rows of a kind of master data.
     *
     * @param  class-string  $class
     */
    public static function ofRows(string $class): string
    {
        // when work centres work, and what they do, is for those who schedule them
        return match (true) {
            in_array($class, [Shift::class, Closure::class, ProposalOperation::class], true) => Roles::MAKE,
            in_array($class, self::DEMAND, true) => Roles::FORECAST,
            default => Roles::DATA,
        };
    }

    /**
     * Whether somebody may bring a table of a kind; of orders it needs the right of one kind at least, and each row that of its own.
     *
     * @param  class-string  $class
     */
    public static function mayBring(User $user, string $class): bool
    {
        return $class === OpenOrder::class
            ? $user->canAny(array_map(self::ofKind(...), OrderKind::cases()))
            : $user->can(self::ofRows($class));
    }

    /** Whether a line of a job is wanted now that was not, or something else of it, or is no more. */
    private static function isApproval(?object $old, ?object $new): bool
    {
        $wants = fn (?object $row): ?array => $row instanceof JobLine && $row->wanted() !== null
            ? [$row->wanted(), $row->site, $row->qty, $row->due]
            : null;

        return $wants($old) !== $wants($new);
    }

    private static function isOfSales(Change $change): bool
    {
        return $change instanceof RemoveSalesLine || $change instanceof PutSalesLine
            || ($change instanceof PutRows && in_array($change->class, [SalesLine::class, JobHeading::class, JobLine::class], true));
    }

    private static function ofRow(object $row, Network $before, Network $after): string
    {
        $order = match (true) {
            $row instanceof OpenOrder => $row,
            $row instanceof OrderComponent,
            $row instanceof OrderOperation => $after->orders[$row->order] ?? $before->orders[$row->order] ?? null,
            default => null,
        };

        return match (true) {
            $order !== null => self::ofKind($order->kind),
            $row instanceof Allocation => Roles::HOLD,
            default => self::ofRows($row::class),
        };
    }

    private static function needed(Change $change, Network $network): string
    {
        $order = $change instanceof OfOrder ? $network->orders[$change->orderCode()] ?? null : null;

        return match (true) {
            $change instanceof PutRows => self::ofRows($change->class),
            $change instanceof BringOrders && ($change->rows[0] ?? $change->gone[0] ?? null) !== null => self::ofKind(
                ($change->rows[0] ?? $change->gone[0])->kind,
            ),
            $change instanceof PutOrder => self::ofKind($change->order->kind),
            $change instanceof HoldSupply, $change instanceof FreeSupply, $change instanceof PutAllocations => Roles::HOLD,
            $change instanceof ChangeSalesLine, $change instanceof SetForecast, $change instanceof ScaleDemand,
            $change instanceof PutSalesLine, $change instanceof RemoveSalesLine,
            $change instanceof PutDemand => Roles::FORECAST,
            $change instanceof ChangeStock, $change instanceof ChangePlanning, $change instanceof PutPlanning,
            $change instanceof WorkDays, $change instanceof PutDays => Roles::DATA,
            $change instanceof AddShift, $change instanceof PutShifts, $change instanceof CloseCentre,
            $change instanceof PutClosures, $change instanceof PlaceOrders, $change instanceof PlaceProposals => Roles::MAKE,
            $order !== null => self::ofKind($order->kind),
            default => Roles::DATA,
        };
    }
}
