<?php

declare(strict_types=1);

namespace Yposta\Core\Declaration;

use Yposta\Core\Quantity\InvalidQuantity;
use Yposta\Core\Quantity\Quantity;

/** A decimal that is not negative, held in millionths: a quantity of an item, or with up to six decimals a price, a percentage, minutes. */
final readonly class Decimal implements ColumnType
{
    use NumberColumn;

    public const FINEST = 6;

    /**
     * @param  string|null  $of  the property that names the item whose decimals it may have
     * @param  int  $above  what it must be above, millionths; -1 for no less than 0
     * @param  int|null  $below  what it must be below, millionths
     */
    public function __construct(public ?string $of = null, public int $above = -1, public ?int $below = null)
    {
    }

    public function parse(string $text): mixed
    {
        try {
            return Quantity::parse($text);
        } catch (InvalidQuantity $trouble) {
            throw new InvalidField(new Fault($trouble->phrase(), Fault::remedyOf('no_number')));
        }
    }

    public function write(mixed $value): string
    {
        return is_int($value) ? Quantity::format($value) : '';
    }

    public function fault(mixed $value, array $values, Surroundings $in): ?Fault
    {
        if (! is_int($value)) {
            return null;
        }
        $item = $this->of === null ? null : ($values[$this->of] ?? null);
        $decimals = is_string($item) ? $in->decimals($item) : self::FINEST;

        return match (true) {
            $value < 0 => Fault::of('negative', ['number' => Quantity::format($value)]),
            $value > Quantity::MAX => Fault::of('beyond', ['number' => Quantity::format($value)]),
            $value <= $this->above => Fault::of(
                'not_above',
                ['least' => Quantity::format($this->above), 'number' => Quantity::format($value)],
            ),
            $this->below !== null && $value >= $this->below => Fault::of(
                'not_below',
                ['most' => Quantity::format($this->below), 'number' => Quantity::format($value)],
            ),
            ! Quantity::fits($value, $decimals) => Fault::of('decimals', ['number' => Quantity::format($value), 'decimals' => $decimals]),
            default => null,
        };
    }

    public function describe(): string
    {
        return '';
    }
}
