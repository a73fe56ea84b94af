<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\Decimal;
use Yposta\Core\Declaration\Declaration;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\NetworkSurroundings;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Network\WrittenRows;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\NewOrderCode;

/**
 * The one place where a change that comes from outside, from a person, a study or a file, is held against what may be: by its kind, and by
 * the rows that it really writes, which must be such as a bundle could bring.
 */
final class SoundChange
{
    /** The most of an item that is typed at once, millionths; more is a slip of the hand. */
    public const MOST = 1_000_000_000 * Quantity::ONE;

    /** Changes that only take others back, or are made here of what was worked out. */
    private const TAKING_BACK = [
        ReceiveOrder::class, ReverseReceipt::class, IssuePart::class, ReturnPart::class, ShipLine::class, TakeBackLine::class,
        IssueToJob::class, ReturnFromJob::class, BlockStock::class, ScrapBlocked::class, CountRows::class, BringOrders::class,
        PlaceOrders::class, PlaceProposals::class, PutAllocations::class, PutClosures::class, PutComponents::class, PutDays::class,
        PutDemand::class, PutOperations::class, PutPlanning::class, ReportWork::class,
        PutShifts::class, RemoveOrder::class,
    ];

    /**
     * @param  array<mixed>  $fields  see {@see ChangeCodec}
     *
     * @throws InvalidChange when it is none, only takes something back, or gives a new order a past
     */
    public static function decode(array $fields): Change
    {
        $change = ChangeCodec::decode($fields);
        if (in_array($change::class, self::TAKING_BACK, true)
            || ($change instanceof ChangeStock && ($change->qty === null || $change->owed !== 0))
            || ($change instanceof ReleaseOrder && $change->below)) {
            throw InvalidChange::of('change.only_back');
        }
        if ($change instanceof PutOrder
            && ($change->order->received !== 0 || $change->order->status !== OrderStatus::Firm || $change->order->pinned)) {
            throw InvalidChange::of('change.new_order');
        }
        $line = $change instanceof PutSalesLine ? $change->line : null;
        $line === null || [$line->shipped, $line->heldUntil, $line->answered, $change->held ?? null] === [0, null, null, null]
            || throw InvalidChange::of('change.new_line');
        $new = match (true) {
            $change instanceof PutOrder => $change->orderCode(),
            $change instanceof SplitOrder => $change->rest,
            default => null,
        };

        return $new === null || NewOrderCode::is($new) ? $change : throw InvalidChange::of('change.code');
    }

    /**
     * Applies a change and looks at what it has written.
     *
     * @param  bool  $takesBack  what stood there before may come back, also where one would only be warned of it
     *
     * @throws DoesNotFit
     * @throws Unsound
     */
    public static function apply(Change $change, Network $network, bool $takesBack = false): Network
    {
        $after = $change->apply($network);
        $in = new NetworkSurroundings($after);
        foreach (WrittenRows::between($network, $after)->all() as [$old, $new]) {
            if ($new === null) {
                continue;
            }
            $declaration = Declaration::of($new::class);
            $known = $old === null ? [] : $declaration->faults($old, $in);
            foreach ($declaration->faults($new, $in) as $fault) {
                self::isTold($fault, $known, $takesBack) && throw Unsound::row($fault->problem);
            }
            $takesBack || self::checkAmounts($declaration, $old, $new);
        }

        return $after;
    }

    /**
     * @param  int  $qty  millionths, as it is typed
     *
     * @throws Unsound when it is more than anyone means
     */
    public static function checkAmount(string $item, int $qty): void
    {
        $qty > self::MOST && throw Unsound::tooMuch($item, $qty, self::MOST);
    }

    /** @param  list<Fault>  $known  that the row had before */
    private static function isTold(Fault $fault, array $known, bool $takesBack): bool
    {
        return ! ($fault->mild && $takesBack) && ! in_array($fault, $known);
    }

    private static function checkAmounts(Declaration $declaration, ?object $old, object $new): void
    {
        [$before, $values] = [$old === null ? [] : get_object_vars($old), get_object_vars($new)];
        foreach ($declaration->columns as $property => $column) {
            $type = $column->type();
            $value = $values[$property] ?? null;
            $item = $type instanceof Decimal && $type->of !== null ? $values[$type->of] ?? null : null;
            if (is_string($item) && is_int($value) && $value !== ($before[$property] ?? null)) {
                self::checkAmount($item, $value);
            }
        }
    }
}
