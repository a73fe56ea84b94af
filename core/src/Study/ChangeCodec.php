<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use BackedEnum;
use InvalidArgumentException;
use ReflectionClass;
use ReflectionNamedType;
use ReflectionParameter;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\ForecastBucket;
use Yposta\Core\Network\OrderComponent;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Network\SupplierItem;
use Yposta\Core\Quantity\InvalidQuantity;
use Yposta\Core\Quantity\Quantity;

/**
 * Changes as plain arrays, to be kept and sent: `change` names which one, then the fields by name, quantities as decimal text, days as ISO dates.
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
        'scale_demand' => ScaleDemand::class,
        'put_demand' => PutDemand::class,
        'change_stock' => ChangeStock::class,
        'change_planning' => ChangePlanning::class,
        'put_planning' => PutPlanning::class,
        'work_days' => WorkDays::class,
        'put_days' => PutDays::class,
    ];

    private const DAYS = ['due', 'start', 'from', 'to', 'need', 'worked', 'closed'];

    private const QUANTITIES = ['qty', 'ratio', 'safetyStock', 'fixedQty', 'stockMin', 'stockMax', 'minQty', 'multiple', 'maxQty', 'received', 'shipped', 'issued', 'price'];

    /** What a field that is a list of rows holds. */
    private const ROWS = ['rows' => OrderComponent::class, 'held' => Allocation::class, 'sales' => SalesLine::class, 'forecasts' => ForecastBucket::class, 'offers' => SupplierItem::class];

    /** @return Fields */
    public static function encode(Change $change): array
    {
        return ['change' => (string) array_search($change::class, self::KINDS, true), ...self::fields($change)];
    }

    /**
     * @param  array<mixed>  $fields
     *
     * @throws InvalidArgumentException when the kind is not known, or a field is missing, unknown or of another type
     */
    public static function decode(array $fields): Change
    {
        $class = self::KINDS[is_string($fields['change'] ?? null) ? $fields['change'] : ''] ?? throw new InvalidArgumentException('this kind of change is not known');
        unset($fields['change']);

        return self::make($class, $fields);
    }

    /** @return Fields */
    private static function fields(object $row): array
    {
        $fields = [];
        foreach (get_object_vars($row) as $name => $value) {
            $fields[(string) $name] = self::plain((string) $name, $value);
        }

        return $fields;
    }

    private static function plain(string $name, mixed $value): mixed
    {
        return match (true) {
            is_array($value) => array_map(fn (mixed $one) => self::plain($name, $one), $value),
            $value instanceof BackedEnum => $value->value,
            is_object($value) => self::fields($value),
            is_int($value) && in_array($name, self::DAYS, true) => Day::format($value),
            is_int($value) && in_array($name, self::QUANTITIES, true) => Quantity::format($value),
            default => $value,
        };
    }

    /**
     * @template T of object
     *
     * @param  class-string<T>  $class
     * @param  array<mixed>  $fields
     * @return T
     */
    private static function make(string $class, array $fields): object
    {
        $reflection = new ReflectionClass($class);
        $arguments = [];
        foreach ($reflection->getConstructor()?->getParameters() ?? [] as $parameter) {
            $name = $parameter->getName();
            if (! array_key_exists($name, $fields)) {
                $parameter->isOptional() || throw new InvalidArgumentException("the field {$name} is missing");

                continue;
            }
            $arguments[$name] = self::value($parameter, $fields[$name]);
        }
        $unknown = array_key_first(array_diff_key($fields, array_flip(array_map(fn ($parameter) => $parameter->getName(), $reflection->getConstructor()?->getParameters() ?? []))));
        $unknown === null || throw new InvalidArgumentException("the field {$unknown} is not known");

        return $reflection->newInstance(...$arguments);
    }

    private static function value(ReflectionParameter $parameter, mixed $value): mixed
    {
        $name = $parameter->getName();
        $type = $parameter->getType();
        if (! $type instanceof ReflectionNamedType || ($value === null && $type->allowsNull())) {
            return $value;
        }
        $kind = $type->getName();
        if (is_a($kind, BackedEnum::class, true) && is_string($value)) {
            return $kind::tryFrom($value) ?? throw new InvalidArgumentException("{$name} cannot be '{$value}'");
        }
        if (class_exists($kind) && is_array($value)) {
            return self::make($kind, $value);
        }
        if ($kind === 'array' && is_array($value) && array_is_list($value)) {
            return array_map(fn (mixed $one) => match (true) {
                isset(self::ROWS[$name]) && is_array($one) => self::make(self::ROWS[$name], $one),
                ! isset(self::ROWS[$name]) && is_string($one) => in_array($name, self::DAYS, true) ? Day::parse($one) : $one,
                default => throw new InvalidArgumentException("{$name} holds something that is not known"),
            }, $value);
        }
        if ($kind === 'int' && is_string($value)) {
            return self::number($name, $value);
        }

        return match (true) {
            $kind === 'int' && is_int($value) && ! in_array($name, [...self::DAYS, ...self::QUANTITIES], true), $kind === 'string' && is_string($value) && strlen($value) <= 190, $kind === 'bool' && is_bool($value) => $value,
            default => throw new InvalidArgumentException("{$name} is not what it should be"),
        };
    }

    private static function number(string $name, string $text): int
    {
        if (in_array($name, self::DAYS, true)) {
            return Day::parse($text);
        }
        try {
            return in_array($name, self::QUANTITIES, true) ? Quantity::parse($text) : throw new InvalidArgumentException("{$name} is not a whole number");
        } catch (InvalidQuantity $trouble) {
            throw new InvalidArgumentException("{$name}: {$trouble->getMessage()}");
        }
    }
}
