<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\PegWay;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Supply;

/** What a pegging is asked for by its reference: a sales line, an order or a proposal of a plan. */
final readonly class PegSubject
{
    /** @param  int  $number  of the demand or supply in the plan */
    private function __construct(
        public Demand|Supply $element,
        public int $number,
        public string $title,
        public string $about,
        public string $back,
    ) {
    }

    public static function find(StoredPlan $plan, string $text): ?self
    {
        $reference = Reference::tryParse($text);
        if ($reference?->kind === ReferenceKind::Sales) {
            $number = self::demandNumber($plan, $reference);
            if ($number === null) {
                return null;
            }
            $demand = $plan->demandNumbered($number);
            $point = $plan->pointOf($demand->point);

            return new self(
                $demand, $number, $reference->name,
                Words::quantity($demand->qty, $point->unit)." {$point->item}, {$demand->customer}",
                '/demand?'.http_build_query(['q' => $demand->name]),
            );
        }
        $number = in_array($reference?->kind, [ReferenceKind::Order, ReferenceKind::Proposal], true)
            ? DB::table('plan_supplies')->where('run_id', $plan->run->id)->where('kind', $reference->kind->value)
                ->where('name', $reference->name)->value('n') : null;
        if ($reference === null || ! is_numeric($number)) {
            return null;
        }
        $supply = $plan->supplyNumbered((int) $number);
        $point = $plan->pointOf($supply->point);

        return new self(
            $supply, (int) $number, (new Describe($plan))->supply($supply)->label,
            Words::quantity($supply->qty, $point->unit)." {$point->item} {$point->name}",
            $reference->kind === ReferenceKind::Order ? Describe::orderHref($reference->name) : Describe::proposalHref($reference->name),
        );
    }

    /** The number of a sales line's demand, whichever way its name is parted. */
    private static function demandNumber(StoredPlan $plan, Reference $reference): ?int
    {
        foreach ($reference->parts() as [$order, $line]) {
            $number = DB::table('plan_demands')->where('run_id', $plan->run->id)->where('kind', 'sales')->where('name', $order)
                ->where('line', $line)->value('n');
            if (is_numeric($number)) {
                return (int) $number;
            }
        }

        return null;
    }

    /** @return list<PegWay> the ways in which it can be followed */
    public function ways(): array
    {
        return $this->element instanceof Demand ? [PegWay::Down, PegWay::HoldUp] : [PegWay::Down, PegWay::Up];
    }

    public function lateDays(): int
    {
        return $this->element instanceof Demand ? $this->element->lateDays() : max(0, $this->element->available - $this->element->due);
    }
}
