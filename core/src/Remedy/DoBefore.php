<?php

declare(strict_types=1);

namespace Yposta\Core\Remedy;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Run\Supply;
use Yposta\Core\Scheduling\PlaceReasonKind;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\MoveOperation;
use Yposta\Core\Support\Phrase;

/** An operation is done before another one that has its units; what came after it in its order finds new places. */
final readonly class DoBefore extends Remedy
{
    /** How many operations before it are tried. */
    private const MOST = 3;

    /** @param  non-empty-list<Change>  $changes */
    private function __construct(
        array $changes,
        private string $order,
        private Phrase $called,
        private Phrase $over,
        private string $centre,
        private int $start,
    ) {
        parent::__construct($changes);
    }

    /** @return list<self> */
    public static function find(ShopSituation $in, Supply $supply, int $op): array
    {
        $task = $in->schedule->taskOf($supply, $op);
        if ($task === null || $task->begun) {
            return [];
        }
        $place = $in->schedule->placeOf($task);
        $earliest = $in->plan->options->planDate * Minute::DAY;
        foreach ($in->standpoint->reasons($supply, $op) as $reason) {
            $isOwn = in_array($reason->kind, [PlaceReasonKind::Material, PlaceReasonKind::Operation, PlaceReasonKind::NotBefore], true);
            $isOwn && $earliest = max($earliest, $reason->minute);
        }
        [$changes, $code] = $in->asOrder($supply);
        $found = [];
        foreach ($in->before($place) as [$other, $over]) {
            $isFirm = ($other->byHand && ! $in->schedule->hasMoved($other)) || $other->begun;
            if ($isFirm || $over->supply === $supply || $over->end <= $earliest || count($found) === self::MOST) {
                break;
            }
            $from = max($earliest, $over->start);
            $start = $in->shop->open($place->centre, $place->units, $from)->span($from, 1)[0] ?? null;
            if ($start !== null && $start < $place->start) {
                $move = new MoveOperation($code, $op, $place->centre, implode(';', $place->units), Minute::format($start));
                $found[] = new self(
                    [...$changes, ...$in->freed($supply, $code, $op), $move], $code, $in->called($supply), $in->called($over->supply),
                    $place->centre, $start,
                );
            }
        }

        return $found;
    }

    public function kind(): RemedyKind
    {
        return RemedyKind::DoBefore;
    }

    public function moves(): string
    {
        return $this->order;
    }

    protected function values(): array
    {
        $day = Minute::day($this->start);

        return [
            'order' => $this->called, 'other' => $this->over, 'centre' => $this->centre, 'day' => new Date($day), 'time' => Minute::clock($this->start - $day * Minute::DAY),
        ];
    }
}
