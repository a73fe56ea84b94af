<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\NetworkReader;
use App\Reading\Shapes\DataCount;
use App\Reading\Shapes\FirstStep;

/** The way from an empty installation to a first plan: what is brought, in which order, and how far it is. */
final class FirstSteps
{
    /** The kinds of each step, in their order, and whether there is no plan without it. */
    private const STEPS = [
        'days' => [['calendars', 'calendar_days'], false],
        'sites' => [['sites'], true],
        'items' => [['items'], true],
        'structures' => [['bom'], false],
        'suppliers' => [['suppliers', 'supplier_items'], false],
        'planning' => [['planning'], true],
        'stock' => [['stock', 'orders'], false],
        'demand' => [['sales', 'forecasts'], true],
    ];

    /** @return list<FirstStep> */
    public static function all(): array
    {
        $steps = [];
        foreach (self::STEPS as $name => [$kinds, $isNeeded]) {
            $counts = array_map(fn (string $kind) => new DataCount(
                $kind, (string) trans("data.kinds.{$kind}.title"), NetworkReader::table(MasterData::KINDS[$kind])->count(),
            ), $kinds);
            $steps[] = new FirstStep(
                (string) trans("data.steps.{$name}.title"), (string) trans("data.steps.{$name}.why"), $isNeeded,
                array_sum(array_map(fn (DataCount $one) => $one->count, $counts)) > 0, $counts,
            );
        }

        return $steps;
    }
}
