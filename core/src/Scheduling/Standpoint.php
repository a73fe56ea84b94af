<?php

declare(strict_types=1);

namespace Yposta\Core\Scheduling;

use Yposta\Core\Calendar\Date;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Capacity\Shop;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Run\Supply;
use Yposta\Core\Support\Phrase;

/** Why an operation stands where a schedule has it, and whether it could stand elsewhere (scheduling rules, section 4, 1 to 6). */
final readonly class Standpoint
{
    public function __construct(private Plan $plan, private Schedule $schedule, private Shop $shop)
    {
    }

    /**
     * What holds an operation back, the latest first: the first is why it does not stand sooner.
     *
     * @return list<PlaceReason>
     */
    public function reasons(Supply $supply, int $op): array
    {
        $task = $this->schedule->taskOf($supply, $op);
        if ($task === null) {
            return [];
        }
        $placed = $this->schedule->placeOf($task);
        $reasons = [...$this->before($supply, $task), ...$this->taken($task, $placed)];
        usort($reasons, fn (PlaceReason $a, PlaceReason $b) => $b->minute <=> $a->minute);
        $until = $reasons[0]->minute;
        if ($task->byHand && ! $this->schedule->hasMoved($task)) {
            return [new PlaceReason(PlaceReasonKind::ByHand, $placed->start), ...$reasons];
        }
        $opens = $this->shop->open($placed->centre, $placed->units, $until)->span($until, 1)[0] ?? $until;
        if ($opens > $until && $opens === $placed->start) {
            return [new PlaceReason(PlaceReasonKind::Opens, $opens), ...$reasons];
        }

        return $opens < $placed->start && $task->old !== null && ! $this->schedule->hasMoved($task)
            ? [new PlaceReason(PlaceReasonKind::Kept, $placed->start), ...$reasons]
            : $reasons;
    }

    /**
     * Whether an operation could begin at a minute on some units of its own or another centre, and what would have to give way. What a
     * person has fixed does not.
     *
     * @param  list<int>  $units  numbers, ascending
     */
    public function check(Supply $supply, int $op, string $centre, array $units, int $start): PlaceCheck
    {
        $task = $this->schedule->taskOf($supply, $op);
        $choice = null;
        foreach ($task->choices ?? [] as $one) {
            $choice = $one->centre === $centre ? $one : $choice;
        }
        if ($task === null || $choice === null) {
            return self::no('board.not_done_there', ['op' => $op, 'centre' => $centre]);
        }
        if (count($units) !== $task->crew) {
            return self::no('board.crew', ['count' => $task->crew]);
        }
        if ($task->begun && $task->old !== null && [$task->old->centre, $task->old->units] !== [$centre, $units]) {
            return self::no('board.begun', ['op' => $op, 'centre' => $task->old->centre]);
        }
        if ($start >= ($this->plan->options->horizonEnd + 1) * Minute::DAY) {
            return self::no('board.beyond', ['day' => new Date($this->plan->options->horizonEnd)]);
        }
        $held = $this->before($supply, $task);
        usort($held, fn (PlaceReason $a, PlaceReason $b) => $b->minute <=> $a->minute);
        if ($held[0]->minute > $start) {
            return new PlaceCheck(null, $this->said($held[0]));
        }

        return $this->fits($supply, $task, $centre, $units, $start);
    }

    /** @param  list<int>  $units */
    private function fits(Supply $supply, Task $task, string $centre, array $units, int $start): PlaceCheck
    {
        $open = $this->shop->open($centre, $units, $start)->span($start, 1)[0] ?? null;
        if ($open === null || ($open !== $start && $this->schedule->placeOf($task)->minutes > 0)) {
            return $open === null
                ? self::no('board.never_opens', ['centre' => $centre])
                : self::no('board.closed', ['centre' => $centre, ...self::moment($open)]);
        }
        $fixed = $others = [];
        $machines = new Machines($this->shop, new SetupChanges($this->plan->network));
        foreach ($this->operations() as [$other, $place]) {
            if ($other === $task || $place->workCentre !== $centre || array_intersect($place->units, $units) === []) {
                continue;
            }
            if ($other->byHand && ! $this->schedule->hasMoved($other)) {
                $machines->put($other, $this->schedule->placeOf($other));
                $fixed[] = $place;
            } elseif ($place->minutes > 0) {
                $others[] = $place;
            }
        }
        $placed = $machines->exactly($task, $centre, $units, $start);
        if ($placed === null) {
            foreach ($fixed as $place) {
                if ($place->end > $start) {
                    return self::no('board.fixed', ['order' => $place->supply->name, 'op' => $place->op, ...self::moment($place->end)]);
                }
            }

            return self::no('board.no_room', ['centre' => $centre]);
        }

        return new PlaceCheck($placed->end, null, array_values(array_filter(
            $others, fn (ShopPlace $place) => $place->supply !== $supply && $place->start < $placed->end && $place->end > $placed->start,
        )));
    }

    /** @return non-empty-list<PlaceReason> what comes before an operation wherever it stands */
    private function before(Supply $supply, Task $task): array
    {
        $now = $this->plan->options->planDate * Minute::DAY;
        $notBefore = $this->schedule->notBefore($task);
        $reasons = [new PlaceReason(PlaceReasonKind::Now, $now)];
        $notBefore > $now && $reasons[] = new PlaceReason(PlaceReasonKind::NotBefore, $notBefore);
        $previous = $this->schedule->taskBefore($task);
        if ($previous !== null) {
            $end = $this->schedule->placeOf($previous)->end + Quantity::lots($previous->move + $task->queue, Quantity::ONE);
            $reasons[] = new PlaceReason(PlaceReasonKind::Operation, $end, $supply, $previous->op);
        }
        foreach ($task->waits as [$material]) {
            $reasons[] = new PlaceReason(PlaceReasonKind::Material, $this->schedule->there($material), $material);
        }

        return $reasons;
    }

    /** @return list<PlaceReason> the last operation before it on each of its units */
    private function taken(Task $task, Placed $placed): array
    {
        $last = [];
        foreach ($this->operations() as [$other, $place]) {
            if ($other === $task || $place->workCentre !== $placed->centre || $place->end > $placed->start || $place->minutes === 0) {
                continue;
            }
            foreach (array_intersect($place->units, $placed->units) as $unit) {
                if (! isset($last[$unit]) || $last[$unit]->minute < $place->end) {
                    $last[$unit] = new PlaceReason(PlaceReasonKind::Taken, $place->end, $place->supply, $place->op, $unit);
                }
            }
        }

        return array_values($last);
    }

    /** @return iterable<array{Task, ShopPlace}> */
    private function operations(): iterable
    {
        foreach ($this->schedule->standing() as $places) {
            yield from $places;
        }
    }

    private function said(PlaceReason $reason): Phrase
    {
        $until = self::moment($reason->minute);

        return match ($reason->kind) {
            PlaceReasonKind::NotBefore => new Phrase('board.not_before', $until),
            PlaceReasonKind::Operation => new Phrase('board.operation', ['op' => $reason->op, ...$until]),
            PlaceReasonKind::Material => new Phrase('board.material', [
                'item' => $reason->by === null ? '' : $this->plan->structure->points[$reason->by->point]->item->code, ...$until,
            ]),
            default => new Phrase('board.now', $until),
        };
    }

    /** @return array{day: Date, time: string} a minute in a sentence */
    private static function moment(int $minute): array
    {
        $day = Minute::day($minute);

        return ['day' => new Date($day), 'time' => Minute::clock($minute - $day * Minute::DAY)];
    }

    /** @param  array<string, int|string|Date>  $values */
    private static function no(string $code, array $values): PlaceCheck
    {
        return new PlaceCheck(null, new Phrase($code, $values));
    }
}
