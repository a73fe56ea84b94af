<?php

declare(strict_types=1);

namespace App\Intake;

use App\Support\Refused;
use Yposta\Core\Declaration\Fault;
use Yposta\Core\Quantity\InvalidQuantity;
use Yposta\Core\Quantity\Quantity;

/** One amount that somebody typed, with a comma or a point. */
final readonly class TypedAmount
{
    /**
     * @return int millionths, not negative
     *
     * @throws Refused when it is no amount, is negative, or can be read in two ways
     */
    public static function read(string $text): int
    {
        $reads = new CellText(CellText::decimalOf([$text]), []);
        $number = $reads->number($text);
        $reads->ambiguous === null || throw Refused::because('data.two_ways', ['number' => $text], 'value');
        try {
            $amount = Quantity::parse($number);
        } catch (InvalidQuantity $trouble) {
            throw Refused::because('data.value', ['trouble' => $trouble->phrase()], 'value');
        }

        return $amount >= 0
            ? $amount
            : throw Refused::because('data.value', ['trouble' => Fault::of('negative', ['number' => $text])->problem], 'value');
    }
}
