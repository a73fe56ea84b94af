<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Shapes\ShortageRow;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Shortage\Need;
use Yposta\Core\Shortage\NeedState;

/** Needs as rows of the list of shortages, each with why it is not covered. */
final readonly class ShortageRows
{
    /** @var array<string, string> reasons by identity */
    private array $accepted;

    public function __construct(private Plan $plan, private TrialPresenter $presenter)
    {
        $this->accepted = array_map(Stored::text(...), DB::table('accepted_shortages')->pluck('reason', 'identity')->all());
    }

    /** @param  list<Demand>  $ends  whom it is for */
    public function row(Need $need, string $group, array $ends): ShortageRow
    {
        $presenter = $this->presenter;
        $item = $need->point->item;
        $demand = $need->demand;

        return new ShortageRow(
            identity: $need->identity,
            state: $need->state,
            item: $item->code,
            name: $item->name,
            site: $need->point->site->code,
            unit: $item->unit,
            qty: Quantity::format($demand->qty),
            short: Quantity::format($need->short),
            consumer: $presenter->consumer($this->plan, $demand),
            consumerDue: $presenter->dates->isoOrNull($demand->for?->due),
            date: $presenter->dates->iso((int) $demand->date),
            orderBy: $presenter->dates->isoOrNull($need->orderBy),
            daysPast: $need->orderBy === null ? 0 : max(0, $this->plan->options->planDate - $need->orderBy),
            expected: $presenter->dates->isoOrNull($demand->expected),
            lateDays: $demand->lateDays(),
            strip: $presenter->strip($need->cover, $item->unit),
            hits: self::hits($ends),
            lines: self::lines($ends),
            served: self::served($presenter, $need),
            reference: $demand->reference(),
            subject: self::subject($demand),
            because: $this->because($need),
            group: $group,
            accepted: $this->accepted[$need->identity] ?? null,
        );
    }

    /** What keeps it from being covered in time: the supply that is latest, the day to order that has passed, or what is still to do. */
    private function because(Need $need): string
    {
        $latest = $unsent = null;
        foreach ($need->pegs as $peg) {
            $supply = $peg->supply;
            if ($supply->available > $need->demand->date && ($latest === null || $supply->available > $latest->available)) {
                $latest = $supply;
            }
            $supply->kind === SupplyKind::Order && ! $supply->released && $unsent = $supply;
        }
        $today = $this->plan->options->planDate;

        return match ($need->state) {
            NeedState::Waiting => $latest === null ? '' : $this->late($latest, $latest->available - (int) $need->demand->date),
            NeedState::Passed => $need->orderBy === null
                ? (string) trans('nobody to get it from')
                : (string) trans_choice(
                    '{0} to order today, there too late|{1} not ordered; 1 day past its day|[2,*] not ordered; :count days past its day',
                    max(0, $today - $need->orderBy),
                ),
            NeedState::OrderNow => $need->orderBy !== null
                ? (string) trans('order by :day', ['day' => $this->presenter->day($need->orderBy)])
                : (string) trans(':order is not sent', ['order' => TrialPresenter::code($unsent->name ?? '')]),
            NeedState::Covered => (string) trans('in time'),
        };
    }

    /** "P-3308 comes Tue 10 Mar, 6 days late", and of what waits itself what it waits for: "its PCB-061 comes Tue 3 Mar". */
    private function late(Supply $supply, int $days): string
    {
        // In which the delay of what it waits for begins.
        $begins = $supply->waitsFor === null ? null : $this->plan->holdUp($supply->waitsFor)?->supply;
        if ($begins !== null) {
            return (string) trans('its :item comes :day', [
                'item' => $this->plan->structure->points[$begins->point]->item->code, 'day' => $this->presenter->day($begins->available),
            ]);
        }

        return $supply->kind === SupplyKind::Order
            ? (string) trans_choice(
                '{1} :order comes :day, 1 day late|[2,*] :order comes :day, :count days late', max(1, $days),
                ['order' => TrialPresenter::code($supply->name), 'day' => $this->presenter->day($supply->available)],
            )
            : (string) trans('there :day', ['day' => $this->presenter->day($supply->available)]);
    }

    /**
     * Customers first, each once.
     *
     * @param  list<Demand>  $ends
     * @return list<string>
     */
    private static function hits(array $ends): array
    {
        $names = [];
        foreach ($ends as $end) {
            $end->kind->isOrdered() && $names[$end->customer] = true;
        }
        if ($names === []) {
            foreach ($ends as $end) {
                $names[(string) trans($end->kind === DemandKind::Forecast ? 'forecast' : 'stock')] = true;
            }
        }

        return array_map(strval(...), array_keys($names));
    }

    /**
     * The sales lines that it is for, or what else.
     *
     * @param  list<Demand>  $ends
     * @return list<string>
     */
    public static function lines(array $ends): array
    {
        $names = [];
        foreach ($ends as $end) {
            $names[match ($end->kind) {
                DemandKind::Sales, DemandKind::Job => "{$end->name}/{$end->line} {$end->customer}",
                DemandKind::Forecast => (string) trans('Forecast :name', ['name' => $end->name]),
                default => (string) trans('Safety stock'),
            }] = true;
        }

        return array_map(strval(...), array_keys($names));
    }

    /** The reference of the order or sales line whose need it is; what is only proposed or drafted has none in the live plan. */
    private static function subject(Demand $demand): ?string
    {
        if ($demand->for === null) {
            return $demand->kind->isOrdered() ? $demand->reference() : null;
        }

        return $demand->for->isProposal() || NewOrderCode::is($demand->for->name) ? null : $demand->for->reference();
    }

    /** "10 pcs from stock; P-3308 from Fennick Circuits brings 13 pcs on Tue 10 Mar". */
    private static function served(TrialPresenter $presenter, Need $need): string
    {
        $said = [];
        foreach ($need->pegs as $peg) {
            $qty = $presenter->quantity($peg->qty, $need->point->item->code);
            $said[] = $peg->supply->kind->value === 'stock'
                ? (string) trans(':qty from stock', ['qty' => $qty])
                : (string) trans(
                    ':supply brings :qty on :day',
                    ['supply' => $presenter->supply($peg->supply), 'qty' => $qty, 'day' => $presenter->day($peg->supply->available)],
                );
        }
        $need->demand->uncovered > 0
            && $said[] = (string) trans(
                ':qty covered by nothing',
                ['qty' => $presenter->quantity($need->demand->uncovered, $need->point->item->code)],
            );

        return implode('; ', $said);
    }
}
