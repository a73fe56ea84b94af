<?php

declare(strict_types=1);

namespace App\Planning\Trials;

use App\Planning\Dates;
use App\Planning\Read\Describe;
use App\Planning\Read\Figures;
use App\Planning\Shapes\DraftFigure;
use App\Planning\Shapes\Link;
use App\Planning\Shapes\SlipRow;
use App\Planning\Shapes\Strip;
use App\Planning\Strips;
use App\Support\Say;
use Yposta\Core\Network\Network;
use Yposta\Core\Plan\Cover;
use Yposta\Core\Plan\Demand;
use Yposta\Core\Plan\DemandKind;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Plan\Supply;
use Yposta\Core\Plan\SupplyKind;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Trial\Effect;
use Yposta\Core\Trial\Slip;

/** Says what a trial has found, in words and shapes of the interface. */
final readonly class Present
{
    /** Figures in which more is worse, after those of a run. */
    private const MORE = ['moves' => 'Purchases to move', 'purchases' => 'Purchases to add'];

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
        $labels = Figures::labels();
        foreach (self::MORE as $name => $label) {
            $labels[$name] = [(string) trans($label), false];
        }
        $rows = [];
        foreach ($labels as $name => [$label, $moreIsWorse]) {
            [$before, $after] = $effect->figures[$name] ?? [0, 0];
            if ($before !== $after) {
                $change = ($after > $before ? '+' : "\u{2212}").Say::money(abs($after - $before));
                $rows[] = new DraftFigure($name, $label, Say::money($before), Say::money($after), $change, $moreIsWorse && $after > $before, $moreIsWorse && $after < $before);
            }
        }

        return $rows;
    }

    public function slip(Slip $slip): SlipRow
    {
        $arrival = $slip->arrival();
        [$kind, $name] = explode(':', $arrival->reference, 2);
        $href = $kind === 'sales' ? '/demand?'.http_build_query(['q' => explode('/', $name)[0]]) : (str_starts_with($name, 'new:') ? null : Describe::orderHref($name));
        $item = $this->network->items[$arrival->item];

        return new SlipRow(
            $kind === 'sales' ? 'line' : 'order', $arrival->reference, self::code($name), $arrival->item, $item->name, $arrival->customer, Quantity::format($arrival->qty), $item->unit,
            $this->dates->iso($arrival->due), $this->dates->isoOrNull($slip->before?->expected), $this->dates->isoOrNull($slip->after?->expected), $slip->days(), $slip->hurts(), $slip->helps(), $href, $arrival->need,
        );
    }

    /** "SO-7719/1 of Coastal Trust 4 days later", for a line or an order. */
    public function slipInWords(Slip $slip): string
    {
        $arrival = $slip->arrival();
        $name = self::code(substr($arrival->reference, strpos($arrival->reference, ':') + 1));
        $whom = $arrival->customer === '' ? $name : (string) trans(':line of :customer', ['line' => $name, 'customer' => $arrival->customer]);

        return $slip->after !== null && $slip->after->uncovered > 0 && $slip->days() === 0
            ? (string) trans(':what is no longer covered', ['what' => $whom])
            : (string) trans_choice($slip->days() >= 0 ? '{1} :what 1 day later|[0,*] :what :count days later' : '{1} :what 1 day earlier|[0,*] :what :count days earlier', abs($slip->days()), ['what' => $whom, 'count' => abs($slip->days())]);
    }

    /** An order by its code; one that does not exist yet is called so. */
    public static function code(string $name): string
    {
        return str_starts_with($name, 'new:') ? (string) trans('the new order') : $name;
    }

    public function strip(Cover $cover, string $unit): Strip
    {
        return Strips::of($cover, $unit, $this->dates);
    }

    /** Who needs it. */
    public function consumer(Plan $plan, Demand $demand): Link
    {
        $for = $demand->for;
        if ($for === null) {
            return match ($demand->kind) {
                DemandKind::Sales => new Link("{$demand->name}/{$demand->line} {$demand->customer}", '/demand?'.http_build_query(['q' => $demand->name])),
                DemandKind::Forecast => new Link((string) trans('Forecast :name', ['name' => $demand->name]), null),
                default => new Link($demand->name, null),
            };
        }
        $item = $plan->structure->points[$for->point]->item->code;
        if ($for->isProposal()) {
            return new Link((string) trans('proposed :item', ['item' => $item]), Describe::itemHref($item, $plan->structure->points[$for->point]->site->code));
        }

        return str_starts_with($for->name, 'new:') ? new Link((string) trans('the new order')." {$item}", null) : new Link("{$for->name} {$item}", Describe::orderHref($for->name));
    }

    /** What brings a supply: "P-3308 from Fennick Circuits", "stock", "a proposal". */
    public function supply(Supply $supply): string
    {
        $from = $supply->supplier === null ? '' : ' '.trans('from :supplier', ['supplier' => $this->network->suppliers[$supply->supplier]->name ?? $supply->supplier]);

        return match ($supply->kind) {
            SupplyKind::Stock => (string) trans('stock'),
            SupplyKind::Order => self::code($supply->name).$from,
            SupplyKind::Proposal => trans('a proposal').$from,
        };
    }

    public function day(int $day): string
    {
        return Say::day($day, $this->planDate);
    }

    public function quantity(int $qty, string $item): string
    {
        return Say::quantity($qty, $this->network->items[$item]->unit ?? '');
    }

    public function supplierName(string $code): string
    {
        return $this->network->suppliers[$code]->name ?? $code;
    }
}
