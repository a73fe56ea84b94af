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
        public string $back,
        private StoredPlan $plan,
    ) {
    }

    public static function find(StoredPlan $plan, string $text): ?self
    {
        $reference = Reference::tryParse($text);
        if ($reference?->kind === ReferenceKind::Sales || $reference?->kind === ReferenceKind::Job) {
            $demand = $plan->ordered($reference);

            return $demand === null ? null : new self(
                $demand, $plan->numberOf($demand), $reference->name, Describe::lineHref($demand), $plan,
            );
        }
        $number = in_array($reference?->kind, [ReferenceKind::Order, ReferenceKind::Proposal], true)
            ? DB::table('plan_supplies')->where('run_id', $plan->run->id)->where('kind', $reference->kind->value)
                ->where('name', $reference->name)->value('n') : null;
        if ($reference === null || ! is_numeric($number)) {
            return null;
        }
        $supply = $plan->supplyNumbered((int) $number);

        return new self(
            $supply, (int) $number, (new Describe($plan))->supply($supply)->label,
            $reference->kind === ReferenceKind::Order ? Describe::orderHref($reference->name) : Describe::proposalHref($reference->name),
            $plan,
        );
    }

    /** The demand of a sales line, whichever way its name is parted. */
    /** How much of what, and for whom; asked for after its pegs have been read, its point comes with theirs. */
    public function about(): string
    {
        $point = $this->plan->pointOf($this->element->point);

        return Words::quantity($this->element->qty, $point->unit)
            .($this->element instanceof Demand ? " {$point->item}, {$this->element->customer}" : " {$point->item} {$point->name}");
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
