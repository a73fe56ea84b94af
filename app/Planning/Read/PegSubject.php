<?php

declare(strict_types=1);

namespace App\Planning\Read;

use App\Support\Say;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Plan\Demand;
use Yposta\Core\Plan\Supply;

/** What a pegging is asked for by its reference: a sales line, an order or a proposal of a plan. */
final readonly class PegSubject
{
    /** @param  int  $number  of the demand or supply in the plan */
    private function __construct(public Demand|Supply $element, public int $number, public string $title, public string $about, public string $back)
    {
    }

    public static function find(StoredPlan $plan, string $reference): ?self
    {
        [$kind, $name] = [...explode(':', $reference, 2), ''];
        if ($kind === 'sales') {
            $slash = (int) strrpos($name, '/');
            $number = DB::table('plan_demands')->where('run_id', $plan->run->id)->where('kind', 'sales')->where('name', substr($name, 0, $slash))->where('line', substr($name, $slash + 1))->value('n');
            if (! is_numeric($number)) {
                return null;
            }
            $demand = $plan->demandNumbered((int) $number);
            $point = $plan->pointOf($demand->point);

            return new self($demand, (int) $number, $name, Say::quantity($demand->qty, $point->unit)." {$point->item}, {$demand->customer}", '/demand?'.http_build_query(['q' => $demand->name]));
        }
        $number = in_array($kind, ['order', 'proposal'], true) ? DB::table('plan_supplies')->where('run_id', $plan->run->id)->where('kind', $kind)->where('name', $name)->value('n') : null;
        if (! is_numeric($number)) {
            return null;
        }
        $supply = $plan->supplyNumbered((int) $number);
        $point = $plan->pointOf($supply->point);

        return new self(
            $supply, (int) $number, (new Describe($plan))->supply($supply)->label, Say::quantity($supply->qty, $point->unit)." {$point->item} {$point->name}",
            $kind === 'order' ? Describe::orderHref($name) : Describe::proposalHref($name),
        );
    }

    /** @return list<string> the ways in which it can be followed */
    public function ways(): array
    {
        return $this->element instanceof Demand ? ['down', 'hold-up'] : ['down', 'up'];
    }

    public function lateDays(): int
    {
        return $this->element instanceof Demand ? $this->element->lateDays() : max(0, $this->element->available - $this->element->due);
    }
}
