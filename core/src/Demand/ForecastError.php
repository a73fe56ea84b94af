<?php

declare(strict_types=1);

namespace Yposta\Core\Demand;

/**
 * How far forecasts were from what was ordered, over periods that have passed. The mean absolute percentage error (MAPE) is the mean of
 * |forecast - ordered| / ordered over the periods with orders; the bias is the sum of forecast - ordered in parts of all that was ordered:
 * above zero it was forecast too high. Both in tenths of a percent; null where nothing was ordered.
 */
final readonly class ForecastError
{
    private const WHOLE = 1000;

    private function __construct(public ?int $mape, public ?int $bias, public int $periods)
    {
    }

    /** @param  list<array{int, int}>  $pairs  forecast and ordered, millionths, period by period */
    public static function of(array $pairs): self
    {
        $ordered = array_sum(array_column($pairs, 1));
        $off = [];
        foreach ($pairs as [$forecast, $actual]) {
            $actual > 0 && $off[] = abs($forecast - $actual) / $actual;
        }

        return new self(
            $off === [] ? null : (int) round(self::WHOLE * array_sum($off) / count($off)),
            $ordered <= 0 ? null : (int) round(self::WHOLE * (array_sum(array_column($pairs, 0)) - $ordered) / $ordered),
            count($pairs),
        );
    }
}
