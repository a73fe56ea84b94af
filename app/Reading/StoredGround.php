<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\Dates;
use App\Reading\Shapes\Link;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;

/** A stored plan as far as a thread goes through it. */
final readonly class StoredGround implements ThreadGround
{
    private Describe $describe;

    private PegGraph $graph;

    /** @var array<string, string> names of suppliers by code */
    private array $suppliers;

    private function __construct(private StoredPlan $plan)
    {
        $this->describe = new Describe($plan);
        $this->graph = new PegGraph($plan);
        $this->suppliers = DB::table('suppliers')->pluck('name', 'code')->map(fn ($name) => (string) $name)->all();
    }

    /** What lies below a thing, down to raw stock. */
    public static function below(StoredPlan $plan, PegSubject $subject): self
    {
        $ground = new self($plan);
        $ground->graph->readDown($subject->element instanceof Demand
            ? [$subject->number]
            : $ground->graph->readInputs($subject->number));

        return $ground;
    }

    /** Whom a supply serves, up to the customers. */
    public static function above(StoredPlan $plan, PegSubject $subject): self
    {
        $ground = new self($plan);
        $subject->element instanceof Supply && $ground->graph->readUp($subject->number);

        return $ground;
    }

    public function planDate(): int
    {
        return $this->plan->planDate;
    }

    public function dates(): Dates
    {
        return $this->plan->dates;
    }

    public function place(Supply|Demand $element): PlacedItem
    {
        $point = $this->plan->pointOf($element->point);

        return new PlacedItem($point->item, $point->site, $point->name, $point->unit);
    }

    public function supply(Supply $supply): Link
    {
        return $this->describe->supply($supply);
    }

    public function demand(Demand $demand): Link
    {
        return $this->describe->demand($demand);
    }

    public function supplierName(string $code): string
    {
        return $this->suppliers[$code] ?? $code;
    }

    /** @return list<Peg> by availability */
    public function served(Demand $demand): array
    {
        return $this->graph->served($this->plan->numberOf($demand));
    }

    public function serves(Supply $supply): array
    {
        return $this->graph->serves($this->plan->numberOf($supply));
    }

    public function inputs(Supply $supply): array
    {
        return array_map($this->plan->demandNumbered(...), $this->graph->inputs($this->plan->numberOf($supply)));
    }

    public function decides(Demand $demand): bool
    {
        return $this->graph->decides($this->plan->numberOf($demand));
    }

    public function operations(array $supplies): array
    {
        $found = StoredOperations::of($this->plan->run, array_map($this->plan->numberOf(...), $supplies));
        $operations = [];
        foreach ($supplies as $supply) {
            $operations[spl_object_id($supply)] = $found[$this->plan->numberOf($supply)] ?? [];
        }

        return $operations;
    }

    public function waitsFor(Supply $supply): ?Demand
    {
        return $this->plan->waitsFor($supply);
    }
}
