<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Describe;
use App\Reading\Shapes\BoardNeighbour;
use App\Reading\Shapes\BoardPick;
use App\Reading\Shapes\BoardReason;
use App\Reading\Shapes\BoardStep;
use App\Reading\Shapes\Link;
use App\Support\Refused;
use App\Support\Words;
use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Scheduling\CentreChoice;
use Yposta\Core\Scheduling\PlaceReason;
use Yposta\Core\Scheduling\PlaceReasonKind;
use Yposta\Core\Scheduling\Standpoint;

/** An order of the board that is looked at. */
final readonly class BoardPickView
{
    /** Neighbours that are told of each side. */
    private const NEIGHBOURS = 12;

    private BoardWords $words;

    private Standpoint $standpoint;

    private Supply $supply;

    /** @throws Refused when it is not there any more */
    public function __construct(private BoardGround $ground, string $of)
    {
        $this->words = new BoardWords($ground, []);
        $this->standpoint = new Standpoint($ground->plan, $ground->schedule, $ground->shop);
        $this->supply = $ground->find($of);
    }

    public function pick(): BoardPick
    {
        $steps = [];
        $family = '';
        $isPlaced = true;
        foreach ($this->ground->schedule->standing() as $supply => $places) {
            foreach ($supply === $this->supply ? $places : [] as [, $place]) {
                $step = $this->step($place);
                $family = $steps === [] ? $place->family : $family;
                $isPlaced = $isPlaced && $step->place !== 'loose';
                $steps[] = $step;
            }
        }
        $end = $steps === [] ? null : $this->ground->schedule->there($this->supply);
        $order = $this->words->order($this->supply, $end, $steps !== [] && $isPlaced, $family);

        return new BoardPick(
            order: $order,
            page: $this->supply->isProposal() || NewOrderCode::is($this->supply->name)
                ? null
                : new Link($this->supply->name, Describe::orderHref($this->supply->name)),
            steps: $steps,
            waitsFor: $this->waitsFor(),
            waited: $this->waited(),
            trouble: $order->late > 0 ? $this->trouble($steps, $order->way) : null,
        );
    }

    private function step(ShopPlace $place): BoardStep
    {
        $task = $this->ground->schedule->taskOf($this->supply, $place->op);
        $centre = $this->ground->plan->network->workCentres[$place->workCentre];

        return new BoardStep(
            op: $place->op,
            centre: $place->workCentre,
            centreName: $centre->name,
            units: implode(';', $place->units),
            start: $this->ground->minute($place->start),
            end: $this->ground->minute($place->end),
            place: $task === null ? 'loose' : $this->words->placeOf($task),
            crew: $task->crew ?? 1,
            centres: array_map(fn (CentreChoice $choice) => $choice->centre, $task->choices ?? []),
            reasons: array_map($this->reason(...), array_slice($this->standpoint->reasons($this->supply, $place->op), 0, 5)),
        );
    }

    private function reason(PlaceReason $reason): BoardReason
    {
        $by = $reason->by;
        $until = Words::moment($reason->minute, $this->ground->plan->options->planDate);
        $values = [
            'until' => $until, 'op' => $reason->op, 'unit' => $reason->unit,
            'what' => $by === null ? '' : "{$this->words->label($by)} {$this->words->itemOf($by)}",
        ];

        return new BoardReason(
            kind: $reason->kind,
            says: (string) match ($reason->kind) {
                PlaceReasonKind::Now => trans('the plan begins :until', $values),
                PlaceReasonKind::NotBefore => trans('not before :until', $values),
                PlaceReasonKind::Operation => trans('operation :op until :until', $values),
                PlaceReasonKind::Material => trans('material :what, there :until', $values),
                PlaceReasonKind::Taken => trans('unit :unit taken by :what until :until', $values),
                PlaceReasonKind::Opens => trans('closed until :until', $values),
                PlaceReasonKind::ByHand => trans('put there by hand', $values),
                PlaceReasonKind::Kept => trans('a kept schedule has it there', $values),
            },
            until: $this->ground->minute($reason->minute),
            of: $by === null || $by === $this->supply || ! $this->isOnBoard($by) ? null : $this->ground->of($by),
        );
    }

    /** @return list<BoardNeighbour> */
    private function waitsFor(): array
    {
        $pegs = new PegIndex($this->ground->plan);
        $found = [];
        foreach ($this->supply->inputs as $input) {
            foreach ($pegs->serving($input) as $peg) {
                $by = $peg->supply;
                if ($by->kind === SupplyKind::Stock || isset($found[spl_object_id($by)])) {
                    continue;
                }
                $found[spl_object_id($by)] = [$by->available, new BoardNeighbour(
                    of: $this->isOnBoard($by) ? $this->ground->of($by) : null,
                    label: $this->words->itemOf($by),
                    note: $by->isProposal() ? $this->words->label($by) : $this->words->presenter->supply($by),
                    when: $this->words->presenter->day($by->available),
                    isLate: $input->date !== null && $by->available > $input->date,
                    href: $by->isProposal() || NewOrderCode::is($by->name) ? null : Describe::orderHref($by->name),
                )];
            }
        }
        usort($found, fn (array $a, array $b) => $b[0] <=> $a[0]);

        return array_slice(array_column($found, 1), 0, self::NEIGHBOURS);
    }

    /** @return list<BoardNeighbour> */
    private function waited(): array
    {
        $found = [];
        foreach ((new PegIndex($this->ground->plan))->servedBy($this->supply) as $peg) {
            $demand = $peg->demand;
            $for = $demand->for;
            $late = $demand->kind->isOrdered() ? $this->daysLate($demand) : $demand->lateDays();
            $link = $this->words->presenter->consumer($this->ground->plan, $demand);
            $found[] = [$late, new BoardNeighbour(
                of: $for !== null && $this->isOnBoard($for) ? $this->ground->of($for) : null,
                label: $link->label,
                note: $this->words->presenter->quantity($peg->qty, $this->words->itemOf($this->supply)),
                when: $late > 0
                    ? (string) trans_choice('{1} 1 day late|[2,*] :count days late', $late)
                    : ($demand->date === null ? '' : $this->words->presenter->day($demand->date)),
                isLate: $late > 0,
                href: $link->href,
            )];
        }
        usort($found, fn (array $a, array $b) => $b[0] <=> $a[0]);

        return array_slice(array_column($found, 1), 0, self::NEIGHBOURS);
    }

    private function daysLate(Demand $demand): int
    {
        return $demand->daysPastDue();
    }

    /**
     * Why it is late, in a sentence: what holds its last operation that did not go straight on.
     *
     * @param  list<BoardStep>  $steps
     */
    private function trouble(array $steps, string $way): string
    {
        foreach (array_reverse($steps) as $step) {
            $first = $step->reasons[($step->reasons[0]->kind ?? null) === PlaceReasonKind::Opens ? 1 : 0] ?? null;
            $isPlain = in_array($first?->kind, [null, PlaceReasonKind::Operation, PlaceReasonKind::Now, PlaceReasonKind::Opens], true);
            if ($first !== null && ! $isPlain) {
                return (string) trans(':way. Operation :op at :centre waited: :why.', [
                    'way' => ucfirst($way), 'op' => $step->op, 'centre' => $step->centre, 'why' => $first->says,
                ]);
            }
        }

        return ucfirst($way).'.';
    }

    private function isOnBoard(Supply $supply): bool
    {
        return $this->ground->plan->inShop($supply) !== [];
    }
}
