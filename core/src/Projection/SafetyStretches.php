<?php

declare(strict_types=1);

namespace Yposta\Core\Projection;

use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Message;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\Workspace;
use Yposta\Core\Structure\Point;

/** Finds the unbroken stretches of days in which projected stock ends the day under safety stock, or under zero without one. */
final readonly class SafetyStretches
{
    public function __construct(private Workspace $work)
    {
    }

    /**
     * @param  list<Supply>  $supplies  with their available dates settled
     * @param  list<Demand>  $demands
     */
    public function write(Point $point, array $supplies, array $demands): void
    {
        $planDate = $this->work->options->planDate;
        $unit = self::unit($point, $supplies, $demands);
        $safety = intdiv($point->safetyStock, $unit);
        $moves = [$planDate => 0];
        foreach ($supplies as $supply) {
            $moves[$supply->available] = ($moves[$supply->available] ?? 0) + intdiv($supply->qty, $unit);
        }
        foreach ($demands as $demand) {
            if ($demand->need !== null) {
                $moves[$demand->need] = ($moves[$demand->need] ?? 0) - intdiv($demand->qty, $unit);
            }
        }
        ksort($moves);
        $balance = 0;
        $since = null;
        $worst = 0;
        foreach ($moves as $day => $move) {
            if ($day > $this->work->options->horizonEnd) {
                break;
            }
            $balance += $move;
            if ($balance < 0) {
                $this->work->shortFrom[$point->index] ??= $day;
            }
            $short = $safety - $balance;
            if ($short > 0) {
                $since ??= $day;
                $worst = max($worst, $short);
            } elseif ($since !== null) {
                $this->say($point, $since, $day - 1, Quantity::checked($worst * $unit));
                $since = null;
                $worst = 0;
            }
        }
        if ($since !== null) {
            $this->say($point, $since, $this->work->options->horizonEnd, Quantity::checked($worst * $unit));
        }
    }

    /**
     * @param  list<Supply>  $supplies
     * @param  list<Demand>  $demands
     */
    private static function unit(Point $point, array $supplies, array $demands): int
    {
        return Quantity::unitFor(
            $point->safetyStock + array_sum(Quantity::of($supplies)) + array_sum(Quantity::of($demands)),
            $point->item->step(),
        );
    }

    private function say(Point $point, int $from, int $to, int $short): void
    {
        $this->work->projectionMessages[$point->index][] = new Message(
            MessageCode::BelowSafety, (string) Reference::safety($point->item->code, $point->site->code), $point->index, $from,
            $to, $short,
        );
    }
}
