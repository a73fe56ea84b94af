<?php

declare(strict_types=1);

namespace App\Planning;

use Yposta\Core\Structure\Point;

/**
 * The rules by which a run planned a point, kept with its result so that its numbers can be explained when the rules have changed.
 * Quantities in millionths.
 */
final readonly class PointRules
{
    public function __construct(
        public int $lead,
        public string $lotRule,
        public int $groupDays,
        public int $minQty,
        public int $multiple,
        public int $maxQty,
        public int $fixedQty,
        public int $stockMax,
        public int $safetyStock,
        public int $safetyDays,
        public int $floor,
        public ?string $fromSite,
        public int $frozenDays,
        public bool $leadByOperations = false,
    ) {
    }

    public static function of(Point $point): self
    {
        $planning = $point->planning;

        return new self(
            lead: $point->lead,
            lotRule: $planning->lotRule->value,
            groupDays: $planning->groupDays,
            minQty: $point->minQty,
            multiple: $point->multiple,
            maxQty: $point->maxQty,
            fixedQty: (int) $planning->fixedQty,
            stockMax: (int) $planning->stockMax,
            safetyStock: $point->safetyStock,
            safetyDays: $planning->safetyDays,
            floor: $point->floor(),
            fromSite: $planning->fromSite,
            frozenDays: $planning->frozenDays,
            leadByOperations: $point->operations !== null,
        );
    }

    public static function fromJson(string $json): self
    {
        /**
         * @var array{
         *     lead: int, lotRule: string, groupDays: int, minQty: int, multiple: int, maxQty: int, fixedQty: int, stockMax: int,
         *     safetyStock: int, safetyDays: int, floor: int, fromSite: string|null, frozenDays: int, leadByOperations?: bool
         * } $rules as they were written from an object of this class
         */
        $rules = json_decode($json, true, 8, JSON_THROW_ON_ERROR);

        return new self(...$rules);
    }
}
