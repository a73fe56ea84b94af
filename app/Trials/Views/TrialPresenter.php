<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Planning\Dates;
use App\Reading\CoverPresenter;
use App\Reading\Describe;
use App\Reading\Figures;
use App\Reading\Shapes\AlongRow;
use App\Reading\Shapes\ArrivalChangeRow;
use App\Reading\Shapes\ArrivalKind;
use App\Reading\Shapes\DraftFigure;
use App\Reading\Shapes\Link;
use App\Reading\Shapes\Strip;
use App\Support\Words;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\ReferenceLookup;
use Yposta\Core\Plan\Cover;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Trial\ArrivalChange;
use Yposta\Core\Trial\Effect;

/** Says what a trial has found, in words and shapes of the interface. */
final readonly class TrialPresenter
{
    public Dates $dates;

    public function __construct(private Network $network, private int $planDate)
    {
        $this->dates = new Dates;
    }

    /**
     * The totals that change.
     *
     * @return list<DraftFigure>
     */
    public function figures(Effect $effect): array
    {
        return Figures::changed($effect->figures);
    }

    public function arrivalChange(ArrivalChange $change): ArrivalChangeRow
    {
        $arrival = $change->arrival();
        $reference = Reference::parse($arrival->reference);
        $lookup = new ReferenceLookup($this->network);
        $isLine = in_array($reference->kind, [ReferenceKind::Sales, ReferenceKind::Job], true);
        $href = $isLine
            ? ($reference->kind === ReferenceKind::Job
                ? Describe::jobHref($lookup->jobLine($reference)->job ?? $reference->name)
                : '/demand?'.http_build_query(['q' => $lookup->salesLine($reference)->order ?? $reference->name]))
            : ($arrival->isOfNewOrder() ? null : Describe::orderHref($reference->name));
        $item = $this->network->items[$arrival->item];

        return new ArrivalChangeRow(
            kind: $isLine ? ArrivalKind::Line : ArrivalKind::Order,
            reference: $arrival->reference,
            label: self::code($reference->name),
            item: $arrival->item,
            name: $item->name,
            customer: $arrival->customer,
            qty: Quantity::format($arrival->qty),
            unit: $item->unit,
            due: $this->dates->iso($arrival->due),
            before: $this->dates->isoOrNull($change->before?->expected),
            after: $this->dates->isoOrNull($change->after?->expected),
            days: $change->days(),
            hurts: $change->hurts(),
            helps: $change->helps(),
            href: $href,
            need: $arrival->need,
        );
    }

    /** A proposal that could be taken along when others are converted. */
    public function along(PutOrder $order): AlongRow
    {
        $item = $this->network->items[$order->order->item];

        return new AlongRow(
            (int) $order->from?->number, $item->code, $item->name, Quantity::format($order->order->qty), $item->unit,
            $this->dates->iso($order->order->due),
        );
    }

    /** "SO-7719/1 of Coastal Trust 4 days later", for a line or an order. */
    public function changeInWords(ArrivalChange $change): string
    {
        $arrival = $change->arrival();
        $name = self::code(Reference::parse($arrival->reference)->name);
        $whom = $arrival->customer === ''
            ? $name
            : (string) trans(':line of :customer', ['line' => $name, 'customer' => $arrival->customer]);

        return $change->after !== null && $change->after->uncovered > 0 && $change->days() === 0
            ? (string) trans(':what is no longer covered', ['what' => $whom])
            : (string) trans_choice(
                $change->days() >= 0
                    ? '{1} :what 1 day later|[0,*] :what :count days later'
                    : '{1} :what 1 day earlier|[0,*] :what :count days earlier',
                abs($change->days()),
                ['what' => $whom, 'count' => abs($change->days())],
            );
    }

    /** An order by its code; one that does not exist yet is called so. */
    public static function code(string $name): string
    {
        return NewOrderCode::is($name) ? (string) trans('the new order') : $name;
    }

    public function strip(Cover $cover, string $unit): Strip
    {
        return CoverPresenter::of($cover, $unit, $this->dates);
    }

    /** Who needs it. */
    public function consumer(Plan $plan, Demand $demand): Link
    {
        $for = $demand->for;
        if ($for === null) {
            return match ($demand->kind) {
                DemandKind::Sales, DemandKind::Job => new Link("{$demand->name}/{$demand->line} {$demand->customer}", Describe::lineHref($demand)),
                DemandKind::Forecast => new Link((string) trans('Forecast :name', ['name' => $demand->name]), null),
                default => new Link($demand->name, null),
            };
        }
        $item = $plan->structure->points[$for->point]->item->code;
        if ($for->isProposal()) {
            return new Link(
                (string) trans('proposed :item', ['item' => $item]),
                Describe::itemHref($item, $plan->structure->points[$for->point]->site->code),
            );
        }

        return NewOrderCode::is($for->name)
            ? new Link((string) trans('the new order')." {$item}", null)
            : new Link("{$for->name} {$item}", Describe::orderHref($for->name));
    }

    /** What brings a supply: "P-3308 from Fennick Circuits", "stock", "a proposal". */
    public function supply(Supply $supply): string
    {
        $from = $supply->supplier === null
            ? ''
            : ' '.trans('from :supplier', ['supplier' => $this->network->suppliers[$supply->supplier]->name ?? $supply->supplier]);

        return match ($supply->kind) {
            SupplyKind::Stock => (string) trans('stock'),
            SupplyKind::Order => self::code($supply->name).$from,
            SupplyKind::Proposal => trans('a proposal').$from,
        };
    }

    public function day(int $day): string
    {
        return Words::day($day, $this->planDate);
    }

    public function quantity(int $qty, string $item): string
    {
        return Words::quantity($qty, $this->network->items[$item]->unit ?? '');
    }

    public function supplierName(string $code): string
    {
        return $this->network->suppliers[$code]->name ?? $code;
    }
}
