<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Describe;
use App\Reading\Shapes\Link;
use App\Reading\Shapes\LoadAnswer;
use App\Reading\Shapes\LoadDemand;
use App\Reading\Shapes\LoadOperation;
use App\Reading\Shapes\LoadPeriod;
use App\Support\Words;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Network\Closure;
use Yposta\Core\Network\Shift;
use Yposta\Core\Network\WorkCentre;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Scheduling\DemandLoad;
use Yposta\Core\Scheduling\Load;
use Yposta\Core\Scheduling\LoadEntry;
use Yposta\Core\Scheduling\Overflow;
use Yposta\Core\Scheduling\ShopPlan;
use Yposta\Core\Trial\Trial;

/** What fills a work centre in a day, a week or a month: the arithmetic, whom it is for, and what to tell sales where it does not fit. */
final readonly class LoadCellView
{
    /** Rows of a list that are told. */
    private const ROWS = 100;

    /** Periods behind in which room is looked for. */
    private const BEHIND = 12;

    private const PERIODS_TOLD = 3;

    private WorkCentre $centre;

    private Load $load;

    /** Of the period. */
    private int $place;

    private function __construct(private Plan $plan, private TrialPresenter $presenter, string $centre, int $day, private BucketSize $size)
    {
        LoadView::mustHave($plan, $centre);
        $this->centre = $plan->network->workCentres[$centre];
        $this->load = new Load($plan, ShopPlan::shop($plan), $size);
        $this->place = $this->load->placeOf($day);
    }

    public static function of(Trial $trial, string $centre, int $day, BucketSize $size): LoadAnswer
    {
        return $trial->with([], function (Plan $plan) use ($trial, $centre, $day, $size): LoadAnswer {
            $presenter = new TrialPresenter($trial->network(), $plan->options->planDate);

            return (new self($plan, $presenter, $centre, $day, $size))->answer();
        });
    }

    private function answer(): LoadAnswer
    {
        [$from, $to] = $this->load->periods[$this->place];
        $cell = $this->load->cells[$this->centre->code][$this->place];
        $entries = $this->load->at($this->centre->code, $this->place);
        usort($entries, fn (LoadEntry $one, LoadEntry $other) => $other->minutes <=> $one->minutes);
        $overflow = new Overflow($this->plan, $cell, $entries);

        return new LoadAnswer(
            centre: $this->centre->code,
            name: $this->centre->name,
            units: $this->centre->units,
            efficiency: Words::of()->number(Quantity::format($this->centre->efficiency)),
            period: new LoadPeriod(Day::format($from), Day::format($to)),
            figure: LoadView::figure([$cell]),
            open: $this->load->undisturbed($this->centre->code, $this->place),
            shifts: $this->shifts(),
            closures: $this->closures($from, $to),
            operations: array_map($this->operation(...), array_slice($entries, 0, self::ROWS)),
            operationCount: count($entries),
            demands: array_map($this->demand(...), array_slice($overflow->demands, 0, self::ROWS)),
            demandCount: count($overflow->demands),
            forNobody: (int) round($overflow->forNobody),
            note: $overflow->excess >= 1 ? $this->note($overflow) : null,
        );
    }

    /** @return list<string> */
    private function shifts(): array
    {
        $rows = array_filter($this->plan->network->shifts, fn (Shift $shift) => $shift->workCentre === $this->centre->code);

        return array_values(array_map(fn (Shift $shift) => trans(
            $shift->units === null ? ':days :from to :to' : ':days :from to :to, :units of them', [
                'days' => Words::weekdays($shift->weekdays), 'from' => Minute::clock($shift->from), 'to' => Minute::clock($shift->to),
                'units' => $shift->units,
            ],
        ), $rows));
    }

    /** @return list<string> */
    private function closures(int $from, int $to): array
    {
        $said = [];
        $today = $this->plan->options->planDate;
        foreach ($this->plan->network->closures as $closure) {
            $begin = Minute::parse($closure->from);
            $end = Minute::parse($closure->to);
            if ($closure->workCentre === $this->centre->code && $begin < ($to + 1) * Minute::DAY && $end > $from * Minute::DAY) {
                $said[] = trans(':what, :from to :to', [
                    'what' => $this->closed($closure), 'from' => Words::moment($begin, $today), 'to' => Words::moment($end, $today),
                ]);
            }
        }

        return $said;
    }

    private function closed(Closure $closure): string
    {
        $which = match (true) {
            $closure->unit !== null => trans('unit :number', ['number' => $closure->unit]),
            $closure->units !== null => trans_choice('{1} 1 unit|[2,*] :count units', $closure->units),
            default => trans('all of it'),
        };

        return $closure->reason === '' ? (string) $which : "{$closure->reason} ({$which})";
    }

    private function operation(LoadEntry $entry): LoadOperation
    {
        $supply = $entry->laid->supply;
        $work = $entry->laid->work;
        $point = $this->plan->structure->points[$supply->point];
        $number = fn (int $value) => Words::of()->number(Quantity::format($value));
        $given = [
            'setup' => $number($work->setup), 'run' => $number($work->run), 'qty' => $number($work->qty), 'base' => $number($work->base),
            'efficiency' => $number($this->centre->efficiency), 'minutes' => Words::of()->number((string) $work->minutes), 'crew' => $work->crew,
        ];
        $sum = $work->base === Quantity::ONE
            ? trans('(:setup + :run × :qty) ÷ :efficiency % = :minutes min', $given)
            : trans('(:setup + :run × :qty ÷ :base) ÷ :efficiency % = :minutes min', $given);

        return new LoadOperation(
            order: $supply->isProposal()
                ? new Link((string) trans('proposed :item', ['item' => $point->item->code]), Describe::itemHref($point->item->code, $point->site->code))
                : new Link(TrialPresenter::code($supply->name)." {$point->item->code}", Describe::orderHref($supply->name)),
            name: $point->item->name,
            op: $work->op,
            arithmetic: $work->crew > 1 ? (string) trans(':sum, :crew at once', ['sum' => $sum, ...$given]) : (string) $sum,
            minutes: $entry->minutes,
        );
    }

    private function demand(DemandLoad $load): LoadDemand
    {
        $demand = $load->demand;
        $item = $this->plan->structure->points[$demand->point]->item;

        return new LoadDemand(
            demand: $this->presenter->consumer($this->plan, $demand),
            isForecast: $demand->kind === DemandKind::Forecast,
            item: $item->code,
            qty: $this->presenter->quantity($demand->qty, $item->code),
            due: $demand->date === null ? null : Day::format($demand->date),
            minutes: (int) round($load->minutes),
        );
    }

    /** What sales should know: what does not fit, and when there is room. */
    private function note(Overflow $overflow): string
    {
        $cell = $this->load->cells[$this->centre->code][$this->place];
        $lines = [trans(':name (:centre) is full :period: :percent % of what it can do, :hours h too much.', [
            'name' => $this->centre->name, 'centre' => $this->centre->code, 'period' => $this->period($this->place),
            'percent' => Words::of()->number((string) $cell->percent()),
            'hours' => self::hours($overflow->excess),
        ])];
        $unfit = $overflow->unfit($this->plan);
        $unfit === [] || $lines[] = trans('What does not fit:');
        foreach ($unfit as [$one, $qty]) {
            $item = $this->plan->structure->points[$one->demand->point]->item->code;
            $sentence = $qty === $one->demand->qty
                ? ':qty of :item, :whom, wanted :day'
                : ':qty of the :whole of :item, :whom, wanted :day';
            $lines[] = '- '.trans($sentence, [
                'qty' => $this->presenter->quantity($qty, $item), 'whole' => $this->presenter->quantity($one->demand->qty, $item),
                'item' => $item, 'whom' => $this->presenter->consumer($this->plan, $one->demand)->label,
                'day' => $one->demand->date === null ? '' : $this->presenter->day($one->demand->date),
            ]);
        }
        $overflow->forNobody < 1 || $lines[] = trans('Nobody has asked yet for :hours h of it: smaller lots help first.', [
            'hours' => self::hours(min($overflow->forNobody, $overflow->excess)),
        ]);
        $room = $this->room();
        $lines[] = $room === [] ? trans('There is no room in the time behind it.') : trans('There is room again: :periods.', ['periods' => implode(', ', $room)]);

        return implode("\n", $lines);
    }

    /** @return list<string> the next periods with room */
    private function room(): array
    {
        $room = [];
        foreach (array_slice($this->load->cells[$this->centre->code], $this->place + 1, self::BEHIND, true) as $place => $cell) {
            if ($cell->capacity - $cell->load >= 1 && count($room) < self::PERIODS_TOLD) {
                $room[] = (string) trans(':period :hours h', ['period' => $this->period($place), 'hours' => self::hours($cell->capacity - $cell->load)]);
            }
        }

        return $room;
    }

    private function period(int $place): string
    {
        $day = $this->presenter->day($this->load->periods[$place][0]);

        return (string) match ($this->size) {
            BucketSize::Day => trans('on :day', ['day' => $day]),
            BucketSize::Week => trans('in the week from :day', ['day' => $day]),
            BucketSize::Month => trans('in the month from :day', ['day' => $day]),
        };
    }

    private static function hours(float $minutes): string
    {
        return Words::of()->number(sprintf('%.1f', $minutes / 60));
    }
}
