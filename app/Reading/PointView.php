<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\BalanceMark;
use App\Reading\Shapes\FlowRow;
use App\Reading\Shapes\LabelledValue;
use App\Reading\Shapes\PointDetail;
use App\Support\Stored;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Network\BucketSize;
use Yposta\Core\Plan\Flow;
use Yposta\Core\Plan\FlowEntry;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

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
        $now = DB::table('stock')->where('item_code', $point->item)->where('site_code', $point->site)->first();

        return new PointDetail(
            reference: (string) Reference::stock($point->item, $point->site),
            item: $point->item,
            site: $point->site,
            siteName: is_string($site) ? $site : $point->site,
            name: $point->name,
            unit: $point->unit,
            decimals: $point->decimals,
            level: $point->level,
            supply: $point->supply,
            facts: $this->facts($point),
            flow: $this->flow($point),
            record: (new PlanGrid($this->plan, $size, $this->asExpected))->record($point),
            below: $structure->below($point->item, self::DEEPEST, self::MOST_LINES),
            above: $structure->above($point->item, self::DEEPEST, self::MOST_LINES),
            planning: $this->planning($point),
            messages: $this->describe->messages($point->n),
            safety: Quantity::format($point->rules->safetyStock),
            history: StockHistory::of($point->item, $point->site, $this->plan->planDate),
            stock: Quantity::format(Stored::int($now->qty ?? 0)), blocked: Quantity::format(Stored::int($now->blocked ?? 0)),
            owed: Quantity::format(Stored::int($now->owed ?? 0)),
        );
    }

    /** @return list<LabelledValue> */
    private function facts(StoredPoint $point): array
    {
        $stock = array_sum(array_map(fn (Supply $supply) => $supply->kind === SupplyKind::Stock ? $supply->qty : 0, $point->supplies));

        return [
            new LabelledValue(trans('On hand'), Words::quantity($stock, '')),
            new LabelledValue(trans('Safety'), Words::quantity($point->rules->safetyStock, '')),
            new LabelledValue(
                trans('Lead'),
                $point->rules->leadByOperations
                    ? trans('by operations')
                    : trans_choice('{1} 1 day|[0,*] :count days', $point->rules->lead, ['count' => $point->rules->lead]),
            ),
            new LabelledValue(trans('Lot'), $this->lot($point)),
        ];
    }

    private function lot(StoredPoint $point): string
    {
        $rules = $point->rules;

        return match ($rules->lotRule) {
            'fixed' => trans('lots of :qty', ['qty' => Words::quantity($rules->fixedQty, '')]),
            'min_max' => trans(':min to :max', ['min' => Words::quantity($rules->floor, ''), 'max' => Words::quantity($rules->stockMax, '')]),
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
                $entry->balance < 0 => BalanceMark::Broken,
                $entry->balance < $point->rules->safetyStock => BalanceMark::Look,
                default => BalanceMark::Calm,
            };

            return new FlowRow(
                date: $this->plan->dates->iso($entry->date),
                kind: $element->kind,
                what: $element instanceof Supply ? $this->describe->supply($element) : $this->describe->demand($element),
                note: $this->note($element),
                lateDays: $late,
                qty: Quantity::format($entry->qty),
                balance: Quantity::format($entry->balance),
                mark: $mark,
            );
        }, Flow::of($point->supplies, $point->demands, $this->asExpected));
    }

    private function note(Supply|Demand $element): string
    {
        if ($element instanceof Demand) {
            return $element->originalDate === null
                ? ''
                : trans('was due :day', ['day' => Words::day($element->originalDate, $this->plan->planDate)]);
        }
        if ($element->kind === SupplyKind::Order && $element->overdue) {
            return trans('overdue since :day', ['day' => Words::day($element->due, $this->plan->planDate)]);
        }
        if ($element->broughtIn) {
            return trans('wanted :day', ['day' => Words::day($element->effective, $this->plan->planDate)]);
        }

        return '';
    }

    /** @return list<LabelledValue> */
    private function planning(StoredPoint $point): array
    {
        $rules = $point->rules;
        $supplier = $point->supplier === null ? null : DB::table('suppliers')->where('code', $point->supplier)->value('name');
        $facts = [
            new LabelledValue(trans('Comes about by'), trans("supply.{$point->supply->value}")),
            new LabelledValue(trans('Supplier'), is_string($supplier) ? $supplier : ''),
            new LabelledValue(trans('From site'), (string) $rules->fromSite),
            new LabelledValue(trans('Lead time'), $rules->leadByOperations ? trans('as long as its operations take') : Words::workingDays($rules->lead)),
            new LabelledValue(trans('Lot rule'), $this->lot($point)),
            new LabelledValue(trans('At least'), $rules->minQty > 0 ? Words::quantity($rules->minQty, $point->unit) : ''),
            new LabelledValue(trans('Multiple'), $rules->multiple > 0 ? Words::quantity($rules->multiple, $point->unit) : ''),
            new LabelledValue(trans('At most'), $rules->maxQty > 0 ? Words::quantity($rules->maxQty, $point->unit) : ''),
            new LabelledValue(trans('Safety stock'), $rules->safetyStock > 0 ? Words::quantity($rules->safetyStock, $point->unit) : ''),
            new LabelledValue(trans('Safety time'), $rules->safetyDays > 0 ? Words::workingDays($rules->safetyDays) : ''),
            new LabelledValue(trans('Frozen'), $rules->frozenDays > 0 ? trans(':days days', ['days' => $rules->frozenDays]) : ''),
            new LabelledValue(trans('Unit cost'), Words::quantity($point->unitCost, '')),
        ];

        return array_values(array_filter($facts, fn (LabelledValue $fact) => $fact->value !== ''));
    }
}
