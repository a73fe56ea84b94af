<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Shapes\BoardBar;
use App\Reading\Shapes\BoardCentre;
use App\Reading\Shapes\BoardOrder;
use App\Reading\Shapes\BoardStretch;
use App\Reading\Shapes\BoardTable;
use App\Trials\BoardFilter;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Scheduling\Task;
use Yposta\Core\Trial\Trial;

/** What runs when on which unit. */
final class BoardView
{
    /** Orders that wait for a place which are named; the rest is counted. */
    private const WAITING = 60;

    private readonly BoardWords $words;

    /** @var array<string, int> places of the centres that are shown */
    private array $centres = [];

    /** @var list<BoardOrder> */
    private array $orders = [];

    /** @param  array<string, true>  $drafted  codes of orders that a draft speaks of */
    private function __construct(private readonly BoardGround $ground, private readonly BoardFilter $filter, array $drafted)
    {
        $this->words = new BoardWords($ground, $drafted);
    }

    /**
     * @param  array<string, true>  $drafted  codes of orders that a draft speaks of
     * @param  int|null  $frozenDays  of the schedule that was kept last
     */
    public static function table(Trial $trial, BoardFilter $filter, array $drafted, ?int $frozenDays, string $stamp): BoardTable
    {
        return BoardGround::read($trial, fn (BoardGround $ground) => (new self($ground, $filter, $drafted))->read($frozenDays, $stamp));
    }

    private function read(?int $frozenDays, string $stamp): BoardTable
    {
        $from = $this->filter->from * Minute::DAY;
        $to = $from + $this->filter->days * Minute::DAY;
        $centres = $this->centres($from, $to);
        $bars = $waiting = [];
        foreach ($this->ground->schedule->standing() as $supply => $places) {
            $shown = array_filter($places, fn (array $one) => isset($this->centres[$one[1]->workCentre])
                && $this->ground->minute($one[1]->end) >= $from && $this->ground->minute($one[1]->start) < $to);
            $isPlaced = ! in_array('loose', array_map(fn (array $one) => $this->placeOf($one[0]), $places), true);
            if ($shown === [] && $isPlaced) {
                continue;
            }
            $order = $this->words->order($supply, $this->ground->schedule->there($supply), $isPlaced, $places[0][1]->family);
            $isPlaced || ! $this->isShown($places) || $waiting[] = $order;
            foreach ($shown as [$task, $place]) {
                $bars[] = $this->bar(count($this->orders), $task, $place);
            }
            $shown === [] || $this->orders[] = $order;
        }
        foreach ($this->ground->schedule->without() as $supply) {
            $waiting[] = $this->words->order($supply, null, false, '');
        }
        usort($bars, fn (BoardBar $a, BoardBar $b) => $a->start <=> $b->start);
        usort($waiting, fn (BoardOrder $a, BoardOrder $b) => [$b->isDrafted, $a->due, $a->label] <=> [$a->isDrafted, $b->due, $b->label]);

        return new BoardTable(
            from: $from,
            to: $to,
            frozen: $frozenDays === null || $frozenDays === 0 ? null : $frozenDays * Minute::DAY,
            centres: $centres,
            orders: $this->orders,
            bars: $bars,
            waiting: array_slice($waiting, 0, self::WAITING),
            waitingCount: count($waiting),
            late: count(array_filter($this->orders, fn (BoardOrder $order) => $order->late > 0)),
            stamp: $stamp,
        );
    }

    /** @param  list<array{Task, ShopPlace}>  $places */
    private function isShown(array $places): bool
    {
        return array_filter($places, fn (array $one) => isset($this->centres[$one[1]->workCentre])) !== [];
    }

    private function bar(int $order, Task $task, ShopPlace $place): BoardBar
    {
        return new BoardBar(
            order: $order,
            op: $place->op,
            centre: $this->centres[$place->workCentre],
            units: $place->units,
            start: $this->ground->minute($place->start),
            end: $this->ground->minute($place->end),
            ready: $this->ready($task),
            done: Quantity::format($this->words->done($place->supply, $place->op)),
            place: $this->placeOf($task),
        );
    }

    private function ready(Task $task): ?int
    {
        $there = array_map(fn (array $wait) => $this->ground->schedule->there($wait[0]), $task->waits);

        return $there === [] ? null : $this->ground->minute(max($there));
    }

    private function placeOf(Task $task): string
    {
        return $this->words->placeOf($task);
    }

    /** @return list<BoardCentre> */
    private function centres(int $from, int $to): array
    {
        $centres = [];
        $first = $this->ground->plan->options->planDate + intdiv($from, Minute::DAY);
        $last = $this->ground->plan->options->planDate + intdiv($to, Minute::DAY) - 1;
        foreach ($this->ground->shop->centres() as $code) {
            $centre = $this->ground->plan->network->workCentres[$code];
            if (! in_array($this->filter->site, ['', $centre->site], true)) {
                continue;
            }
            $open = [];
            $time = $this->ground->shop->time($code);
            $all = range(1, max(1, $centre->units));
            for ($day = $first; $day <= $last; $day++) {
                foreach ($time->day($day) as $stretch) {
                    $units = array_values(array_filter($all, fn (int $unit) => $stretch->units->haveAll([$unit])));
                    $units === [] || $open[] = new BoardStretch(
                        $this->ground->minute($stretch->from), $this->ground->minute($stretch->to), $units === $all ? null : $units,
                    );
                }
            }
            $this->centres[$code] = count($centres);
            $centres[] = new BoardCentre($code, $centre->name, $centre->site, $centre->units, $open);
        }

        return $centres;
    }
}
