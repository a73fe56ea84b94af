<?php

declare(strict_types=1);

namespace App\Planning\Read;

use App\Planning\Shapes\Fact;
use App\Planning\Shapes\FlowRow;
use App\Planning\Shapes\PointDetail;
use App\Support\Say;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Plan\Demand;
use Yposta\Core\Plan\Flow;
use Yposta\Core\Plan\FlowEntry;
use Yposta\Core\Plan\Supply;
use Yposta\Core\Plan\SupplyKind;
use Yposta\Core\Quantity\Quantity;

/** An item at a site: its flow, record, structure, and what it is planned by. */
final readonly class PointView
{
    /** How deep a structure is shown. */
    private const DEEPEST = 50;

    private const MOST_LINES = 500;

    private Describe $describe;

    public function __construct(private StoredPlan $plan, private bool $asExpected)
    {
        $this->describe = new Describe($plan);
    }

    public function detail(StoredPoint $point, BucketSize $size): PointDetail
    {
        $this->plan->load([$point->n]);
        $site = DB::table('sites')->where('code', $point->site)->value('name');
        $structure = new StructureView($point->site);

        return new PointDetail(
            $point->item, $point->site, is_string($site) ? $site : $point->site, $point->name, $point->unit, $point->decimals, $point->level, $point->supply, $this->facts($point),
            $this->flow($point), (new PlanGrid($this->plan, $size, $this->asExpected))->record($point), $structure->below($point->item, self::DEEPEST, self::MOST_LINES),
            $structure->above($point->item, self::DEEPEST, self::MOST_LINES), $this->planning($point), $this->describe->messages($point->n), Quantity::format($point->rules->safetyStock),
        );
    }

    /** @return list<Fact> */
    private function facts(StoredPoint $point): array
    {
        $stock = array_sum(array_map(fn (Supply $supply) => $supply->kind === SupplyKind::Stock ? $supply->qty : 0, $point->supplies));

        return [
            new Fact(trans('On hand'), Quantity::format($stock)),
            new Fact(trans('Safety'), Quantity::format($point->rules->safetyStock)),
            new Fact(trans('Lead'), trans_choice('{1} 1 day|[0,*] :count days', $point->rules->lead, ['count' => $point->rules->lead])),
            new Fact(trans('Lot'), $this->lot($point)),
        ];
    }

    private function lot(StoredPoint $point): string
    {
        $rules = $point->rules;

        return match ($rules->lotRule) {
            'fixed' => trans('lots of :qty', ['qty' => Quantity::format($rules->fixedQty)]),
            'min_max' => trans(':min to :max', ['min' => Quantity::format($rules->floor), 'max' => Quantity::format($rules->stockMax)]),
            'per_order' => trans('per order'),
            default => $rules->groupDays > 1 ? trans(':days days together', ['days' => $rules->groupDays]) : trans('per need'),
        };
    }

    /** @return list<FlowRow> */
    private function flow(StoredPoint $point): array
    {
        return array_map(function (FlowEntry $entry) use ($point): FlowRow {
            $element = $entry->element;
            $late = $element instanceof Supply && $element->isProposal() ? max(0, $element->available - $element->due) : 0;
            $mark = match (true) {
                $entry->balance < 0 => 'broken',
                $entry->balance < $point->rules->safetyStock => 'look',
                default => 'calm',
            };

            return new FlowRow(
                $this->plan->dates->iso($entry->date), $element->kind->value, $element instanceof Supply ? $this->describe->supply($element) : $this->describe->demand($element),
                $this->note($element), $late, Quantity::format($entry->qty), Quantity::format($entry->balance), $mark,
            );
        }, Flow::of($point->supplies, $point->demands, $this->asExpected));
    }

    private function note(Supply|Demand $element): string
    {
        if ($element instanceof Demand) {
            return $element->originalDate === null ? '' : trans('was due :day', ['day' => Say::day($element->originalDate, $this->plan->planDate)]);
        }
        if ($element->kind === SupplyKind::Order && $element->overdue) {
            return trans('overdue since :day', ['day' => Say::day($element->due, $this->plan->planDate)]);
        }
        if ($element->broughtIn) {
            return trans('wanted :day', ['day' => Say::day($element->effective, $this->plan->planDate)]);
        }

        return '';
    }

    /** @return list<Fact> */
    private function planning(StoredPoint $point): array
    {
        $rules = $point->rules;
        $supplier = $point->supplier === null ? null : DB::table('suppliers')->where('code', $point->supplier)->value('name');
        $facts = [
            new Fact(trans('Comes about by'), trans("supply.{$point->supply}")),
            new Fact(trans('Supplier'), is_string($supplier) ? $supplier : ''),
            new Fact(trans('From site'), (string) $rules->fromSite),
            new Fact(trans('Lead time'), Say::workingDays($rules->lead)),
            new Fact(trans('Lot rule'), $this->lot($point)),
            new Fact(trans('At least'), $rules->minQty > 0 ? Say::quantity($rules->minQty, $point->unit) : ''),
            new Fact(trans('Multiple'), $rules->multiple > 0 ? Say::quantity($rules->multiple, $point->unit) : ''),
            new Fact(trans('At most'), $rules->maxQty > 0 ? Say::quantity($rules->maxQty, $point->unit) : ''),
            new Fact(trans('Safety stock'), $rules->safetyStock > 0 ? Say::quantity($rules->safetyStock, $point->unit) : ''),
            new Fact(trans('Safety time'), $rules->safetyDays > 0 ? Say::workingDays($rules->safetyDays) : ''),
            new Fact(trans('Frozen'), $rules->frozenDays > 0 ? trans(':days days', ['days' => $rules->frozenDays]) : ''),
            new Fact(trans('Unit cost'), Quantity::format($point->unitCost)),
        ];

        return array_values(array_filter($facts, fn (Fact $fact) => $fact->value !== ''));
    }
}
