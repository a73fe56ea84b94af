<?php

declare(strict_types=1);

namespace Yposta\Core\Netting;

use Yposta\Core\Options;
use Yposta\Core\Plan\Demand;
use Yposta\Core\Plan\DemandKind;
use Yposta\Core\Plan\Message;
use Yposta\Core\Plan\MessageCode;
use Yposta\Core\Plan\Supply;
use Yposta\Core\Structure\Point;
use Yposta\Core\Structure\Structure;

/** What a run has gathered and made so far. */
final class Workspace
{
    /** @var array<int, list<Demand>> by point */
    public array $demands = [];

    /** @var array<int, list<Supply>> by point */
    public array $supplies = [];

    /** @var list<Supply> in the order of their numbers */
    public array $proposals = [];

    /** @var list<Message> */
    public array $messages = [];

    /** @var array<int, int> by point, the first day on which projected stock is below zero */
    public array $shortFrom = [];

    public function __construct(public readonly Structure $structure, public readonly Options $options)
    {
    }

    /**
     * Adds a demand unless it is outside the run: its point is, it is for nothing, or its date is after the horizon.
     *
     * A date before the plan date counts as the plan date and brings a message (section 4).
     *
     * @param  int  $rank  see {@see DemandKind::rank()}
     * @param  int  $qty  millionths
     * @param  int  $date  day number
     */
    public function demand(Point $point, DemandKind $kind, string $name, string $line, int $rank, int $qty, int $date, int $priority, ?Supply $for = null, string $customer = ''): ?Demand
    {
        if ($qty <= 0 || ! $point->inScope || $date > $this->options->horizonEnd) {
            return null;
        }
        $planDate = $this->options->planDate;
        $original = null;
        if ($date < $planDate) {
            $original = $date;
            $date = $planDate;
        }
        $need = $point->calendar->back($date, $point->planning->safetyDays);
        $demand = new Demand($point->index, $kind, $name, $line, $rank, $qty, $date, $need < $planDate ? $planDate : $need, $priority, $original, $for, $customer);
        if ($original !== null) {
            $this->messages[] = new Message(MessageCode::LateDemand, $demand->reference(), $point->index, $original, $planDate, $qty);
        }

        return $this->demands[$point->index][] = $demand;
    }
}
