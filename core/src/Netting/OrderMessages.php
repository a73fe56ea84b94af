<?php

declare(strict_types=1);

namespace Yposta\Core\Netting;

use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Message;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Run\Workspace;
use Yposta\Core\Structure\Point;

/** Which open orders stand too early or are not needed at all (section 5, messages on open orders). */
final readonly class OrderMessages
{
    public function __construct(private Workspace $work)
    {
    }

    /**
     * @param  list<Demand>  $demands  by need date
     * @param  int  $stock  millionths
     * @param  int  $unit  in which balances are counted, millionths
     */
    public function write(Point $point, array $demands, int $stock, int $unit): void
    {
        $supplies = array_filter($this->work->supplies[$point->index] ?? [], fn (Supply $supply) => $supply->kind !== SupplyKind::Stock);
        usort($supplies, fn (Supply $a, Supply $b) => $a->effective <=> $b->effective ?: $a->rank <=> $b->rank);
        $days = $this->shortDays($demands, $unit);
        $floor = intdiv($point->floor(), $unit);
        $before = intdiv($stock, $unit);
        $place = 0;
        foreach ($supplies as $supply) {
            while (isset($days[$place]) && $before - $days[$place][1] >= $floor) {
                $place++;
            }
            if (! $supply->isProposal() && ! $supply->broughtIn) {
                $this->judge($supply, $days[$place][0] ?? null);
            }
            $before += intdiv($supply->qty, $unit);
        }
    }

    /**
     * The plan date and each need date, with all demand up to it.
     *
     * @param  list<Demand>  $demands
     * @return list<array{int, int}> day number, units
     */
    private function shortDays(array $demands, int $unit): array
    {
        $planDate = $this->work->options->planDate;
        $sum = 0;
        $days = [$planDate => 0];
        foreach ($demands as $demand) {
            $days[(int) $demand->need] = $sum += intdiv($demand->qty, $unit);
        }

        return array_map(fn (int $day) => [$day, $days[$day]], array_keys($days));
    }

    private function judge(Supply $order, ?int $needed): void
    {
        if ($needed === null) {
            if ($order->due <= $this->work->options->horizonEnd) {
                $this->work->nettingMessages[$order->point][] = new Message(
                    MessageCode::Cancel, $order, $order->point, $order->due, null, $order->qty,
                );
            }
        } elseif ($needed - $order->effective > $this->work->options->pushOutDays) {
            $this->work->nettingMessages[$order->point][] = new Message(
                MessageCode::PushOut, $order, $order->point, $order->due, $needed, $order->qty,
            );
        }
    }
}
