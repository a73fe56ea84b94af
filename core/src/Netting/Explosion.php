<?php

declare(strict_types=1);

namespace Yposta\Core\Netting;

use Yposta\Core\Network\OrderKind;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Message;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\Workspace;
use Yposta\Core\Structure\Point;

/** What proposals need in turn: components by the structure, or the transfer out at the source (section 5, explosion). */
final readonly class Explosion
{
    public function __construct(private Workspace $work)
    {
    }

    /**
     * @param  int  $seq  the proposal's place among those of its point
     *
     * @throws QuantityOutOfRange naming the component
     */
    public function explode(Point $point, Supply $proposal, int $seq): void
    {
        match ($point->supply()) {
            OrderKind::Make => $this->components($point, $proposal, $seq),
            OrderKind::Transfer => $this->transferOut($point, $proposal, $seq),
            OrderKind::Buy => null,
        };
        $this->say($point, $proposal);
    }

    /** Says what a proposal lacks: a supplier, or a line that is valid. */
    public function say(Point $point, Supply $proposal): void
    {
        $code = match ($point->supply()) {
            OrderKind::Buy => $point->supplier === null ? MessageCode::NoSupplier : null,
            OrderKind::Make => $this->hasLine($point, max($proposal->start, $this->work->options->planDate)) ? null : MessageCode::NoBom,
            OrderKind::Transfer => null,
        };
        if ($code !== null) {
            $this->work->nettingMessages[$point->index][] = new Message(
                $code, $proposal, $point->index, $proposal->start, $proposal->due, $proposal->qty,
            );
        }
    }

    private function hasLine(Point $point, int $day): bool
    {
        foreach ($this->work->structure->components[$point->index] ?? [] as $line) {
            if ($line->validOn($day)) {
                return true;
            }
        }

        return false;
    }

    private function components(Point $point, Supply $proposal, int $seq): void
    {
        $day = max($proposal->start, $this->work->options->planDate);
        foreach ($this->work->structure->components[$point->index] ?? [] as $row => $line) {
            if (! $line->validOn($day)) {
                continue;
            }
            $demand = $this->work->demand(
                $this->work->structure->points[$line->point], DemandKind::Part, '', $line->line,
                DemandKind::Part->rank(true, DemandKind::inputOf($this->work->places[$point->index], $seq, $row)),
                $line->requirement($proposal->qty), $line->offsetDays === 0 ? $day : $point->calendar->forward($day, $line->offsetDays),
                $proposal->priority, $proposal,
            );
            if ($demand !== null) {
                $demand->op = $line->op;
                $proposal->inputs[] = $demand;
            }
        }
    }

    private function transferOut(Point $point, Supply $proposal, int $seq): void
    {
        $source = $this->work->structure->points[(int) $point->source];
        $demand = $this->work->demand(
            $source, DemandKind::Out, '', '', DemandKind::Out->rank(true, DemandKind::inputOf($this->work->places[$point->index], $seq, 0)),
            $proposal->qty, max($proposal->start, $this->work->options->planDate), $proposal->priority, $proposal,
        );
        $demand === null || $proposal->inputs[] = $demand;
    }
}
