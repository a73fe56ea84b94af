<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Planning\Read\Describe;
use App\Planning\Read\PegTree;
use App\Planning\Read\StoredPlan;
use App\Support\Say;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Inertia\Inertia;
use Inertia\Response;
use stdClass;

/** Pegging of a sales line, an order or a proposal: down to raw stock, or up to the customers. */
final class PeggingController extends Controller
{
    public function __invoke(Request $request): Response
    {
        $plan = $this->plan();
        abort_if($plan === null, 404);
        $reference = $request->string('of')->toString();
        $up = $request->query('way') === 'up';
        $onlyHoldUp = $request->query('way') === 'hold-up';
        [$kind, $name] = [...explode(':', $reference, 2), ''];
        $tree = new PegTree($plan);
        $filter = ['of' => $reference, 'way' => $up ? 'up' : ($onlyHoldUp ? 'hold-up' : 'down')];
        if ($kind === 'sales') {
            $row = $this->sales($plan, $name);
            $demand = $plan->demandNumbered((int) $row->n);
            $point = $plan->pointOf($demand->point);

            return Inertia::render('Pegging', [
                'title' => $name, 'about' => Say::quantity($demand->qty, $point->unit)." {$point->item}, {$demand->customer}", 'holdUp' => $plan->holdUpOf($demand), 'lateDays' => $demand->lateDays(),
                'back' => '/demand?'.http_build_query(['q' => $demand->name]), 'ways' => ['down', 'hold-up'], 'rows' => $tree->down([(int) $row->n], $onlyHoldUp), 'most' => PegTree::MOST, 'filter' => [...$filter, 'way' => $onlyHoldUp ? 'hold-up' : 'down'],
            ]);
        }
        $number = DB::table('plan_supplies')->where('run_id', $plan->run->id)->where('kind', $kind)->where('name', $name)->value('n');
        abort_unless(in_array($kind, ['order', 'proposal'], true) && is_numeric($number), 404, 'This is not in the live plan.');
        $supply = $plan->supplyNumbered((int) $number);
        $point = $plan->pointOf($supply->point);

        return Inertia::render('Pegging', [
            'title' => (new Describe($plan))->supply($supply)->label, 'about' => Say::quantity($supply->qty, $point->unit)." {$point->item} {$point->name}", 'holdUp' => null, 'lateDays' => max(0, $supply->available - $supply->due),
            'back' => $kind === 'order' ? Describe::orderHref($name) : Describe::proposalHref($name), 'ways' => ['down', 'up'],
            'rows' => $up ? $tree->up((int) $number) : $tree->down($tree->inputsOf((int) $number), false), 'most' => PegTree::MOST, 'filter' => [...$filter, 'way' => $up ? 'up' : 'down'],
        ]);
    }

    private function sales(StoredPlan $plan, string $name): stdClass
    {
        $slash = (int) strrpos($name, '/');
        $row = DB::table('plan_demands')->where('run_id', $plan->run->id)->where('kind', 'sales')->where('name', substr($name, 0, $slash))->where('line', substr($name, $slash + 1))->first(['n']);
        abort_if($row === null, 404, 'This sales line is not in the live plan.');

        return $row;
    }
}
