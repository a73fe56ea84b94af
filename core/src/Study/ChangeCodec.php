<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use ReflectionClass;
use ReflectionNamedType;
use ReflectionParameter;
use ReflectionProperty;
use Yposta\Core\Declaration\Code;
use Yposta\Core\Declaration\Column;
use Yposta\Core\Declaration\ColumnType;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Declaration\InvalidField;
use Yposta\Core\Declaration\RowsOf;

/**
 * Changes as plain arrays, to be kept and sent: `change` names which one, then the fields by name, quantities as decimal text, days as
 * ISO dates.
 *
 * @phpstan-type Fields array<string, mixed>
 */
final class ChangeCodec
{
    /** @var array<string, class-string<Change>> */
    public const KINDS = [
        'move_order' => MoveOrder::class,
        'change_dates' => ChangeDates::class,
        'resize_order' => ResizeOrder::class,
        'buy_from' => BuyFrom::class,
        'split_order' => SplitOrder::class,
        'cancel_order' => CancelOrder::class,
        'put_order' => PutOrder::class,
        'remove_order' => RemoveOrder::class,
        'pin_order' => PinOrder::class,
        'release_order' => ReleaseOrder::class,
        'prioritise_order' => PrioritiseOrder::class,
        'put_components' => PutComponents::class,
        'swap_component' => SwapComponent::class,
        'hold_supply' => HoldSupply::class,
        'free_supply' => FreeSupply::class,
        'put_allocations' => PutAllocations::class,
        'change_sales_line' => ChangeSalesLine::class,
        'put_sales_line' => PutSalesLine::class,
        'remove_sales_line' => RemoveSalesLine::class,
        'set_forecast' => SetForecast::class,
        'scale_demand' => ScaleDemand::class,
        'put_demand' => PutDemand::class,
        'change_stock' => ChangeStock::class,
        'change_planning' => ChangePlanning::class,
        'put_planning' => PutPlanning::class,
        'put_rows' => PutRows::class,
        'count_rows' => CountRows::class,
        'bring_orders' => BringOrders::class,
        'work_days' => WorkDays::class,
        'put_days' => PutDays::class,
        'add_shift' => AddShift::class,
        'put_shifts' => PutShifts::class,
        'close_centre' => CloseCentre::class,
        'put_closures' => PutClosures::class,
        'change_efficiency' => ChangeEfficiency::class,
        'move_operation' => MoveOperation::class,
        'take_off_board' => TakeOffBoard::class,
        'report_work' => ReportWork::class,
        'do_elsewhere' => DoElsewhere::class,
        'fix_operation' => FixOperation::class,
        'change_crew' => ChangeCrew::class,
        'place_orders' => PlaceOrders::class,
        'place_proposals' => PlaceProposals::class,
        'put_operations' => PutOperations::class,
        'hold_order' => HoldOrder::class,
        'start_not_before' => StartNotBefore::class,
        'finish_by' => FinishBy::class,
        'receive_order' => ReceiveOrder::class,
        'reverse_receipt' => ReverseReceipt::class,
        'issue_part' => IssuePart::class,
        'return_part' => ReturnPart::class,
        'ship_line' => ShipLine::class,
        'take_back_line' => TakeBackLine::class,
        'issue_to_job' => IssueToJob::class,
        'return_from_job' => ReturnFromJob::class,
        'block_stock' => BlockStock::class,
        'scrap_blocked' => ScrapBlocked::class,
    ];

    /** @return Fields */
    public static function encode(Change $change): array
    {
        return [
            'change' => (string) array_search($change::class, self::KINDS, true),
            ...$change instanceof Flat ? $change->toFields() : self::fields($change),
        ];
    }

    /**
     * @param  array<mixed>  $fields
     *
     * @throws InvalidChange when the kind is not known, or a field is missing, unknown or of another type
     */
    public static function decode(array $fields): Change
    {
        $class = self::KINDS[is_string($fields['change'] ?? null) ? $fields['change'] : ''] ?? throw InvalidChange::kind();
        unset($fields['change']);
        if (is_subclass_of($class, Flat::class)) {
            return $class::fromFields($fields);
        }

        return self::make($class, $fields);
    }

    /** @return Fields */
    private static function fields(Change $change): array
    {
        $fields = [];
        foreach (get_object_vars($change) as $name => $value) {
            $type = self::typeOf(new ReflectionProperty($change, (string) $name));
            $fields[(string) $name] = match (true) {
                $value === null => null,
                $type !== null => is_array($value) ? array_map($type->plain(...), $value) : $type->plain($value),
                is_array($value) => array_map(fn (mixed $one) => is_object($one) ? RowCodec::encode($one) : $one, $value),
                is_object($value) => RowCodec::encode($value),
                default => $value,
            };
        }

        return $fields;
    }

    /**
     * @param  class-string<Change>  $class
     * @param  array<mixed>  $fields
     */
    private static function make(string $class, array $fields): Change
    {
        $reflection = new ReflectionClass($class);
        $parameters = $reflection->getConstructor()?->getParameters() ?? [];
        $unknown = array_key_first(array_diff_key(
            $fields,
            array_flip(array_map(fn (ReflectionParameter $parameter) => $parameter->getName(), $parameters)),
        ));
        $unknown === null || throw InvalidChange::unknown($unknown);
        $arguments = [];
        foreach ($parameters as $parameter) {
            $name = $parameter->getName();
            if (! array_key_exists($name, $fields)) {
                $parameter->isOptional() || throw InvalidChange::missing($name);

                continue;
            }
            try {
                $arguments[$name] = self::value($reflection->getProperty($name), $fields[$name]);
            } catch (InvalidField $trouble) {
                throw InvalidChange::wrong($name, $trouble->fault->problem);
            }
        }

        return $reflection->newInstance(...$arguments);
    }

    private static function value(ReflectionProperty $property, mixed $plain): mixed
    {
        $declared = $property->getType();
        $kind = $declared instanceof ReflectionNamedType ? $declared->getName() : '';
        if ($plain === null && $declared?->allowsNull() === true) {
            return null;
        }
        $type = self::typeOf($property);
        $rows = $property->getAttributes(RowsOf::class)[0] ?? null;

        return match (true) {
            $kind === 'array' && (! is_array($plain) || ! array_is_list($plain)) => throw new InvalidField(Fault::of('wrong_type')),
            $kind === 'array' && $rows !== null => array_map(
                fn (mixed $row) => self::row($rows->newInstance()->class, $row),
                (array) $plain,
            ),
            $kind === 'array' => array_map(fn (mixed $one) => $type === null ? self::text($one) : $type->fromPlain($one), (array) $plain),
            $type !== null => $type->fromPlain($plain),
            class_exists($kind) => self::row($kind, $plain),
            $kind === 'string' => self::text($plain),
            $kind === 'int' && is_int($plain), $kind === 'bool' && is_bool($plain) => $plain,
            default => throw new InvalidField(Fault::of('wrong_type')),
        };
    }

    /** @param  class-string  $class */
    private static function row(string $class, mixed $plain): object
    {
        return is_array($plain) ? RowCodec::decode($class, $plain) : throw new InvalidField(Fault::of('wrong_type'));
    }

    private static function text(mixed $plain): string
    {
        return is_string($plain) && mb_strlen($plain) <= Code::LONGEST ? $plain : throw new InvalidField(Fault::of('wrong_type'));
    }

    private static function typeOf(ReflectionProperty $property): ?ColumnType
    {
        return ($property->getAttributes(Column::class)[0] ?? null)?->newInstance()->type;
    }
}
