<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Planning\Dates;
use App\Reading\Describe;
use App\Reading\PlacedItem;
use App\Reading\Shapes\Link;
use App\Reading\Shapes\ThreadOperation;
use App\Reading\ThreadGround;
use Yposta\Core\Availability\Answer;
use Yposta\Core\Calendar\Minute;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\ShopPlace;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/** A plan in which something is asked for, as far as the thread of that goes through it. */
final readonly class AskedGround implements ThreadGround
{
    private PegIndex $pegs;

    /** @var array<int, true> demands through which the date is decided, by object id */
    private array $deciding;

    public function __construct(public Plan $plan, private TrialPresenter $presenter, Answer $answer)
    {
        $this->pegs = new PegIndex($plan);
        $deciding = [];
        foreach ($answer->nodes as $node) {
            $node->decides && $deciding[spl_object_id($node->demand)] = true;
        }
        $this->deciding = $deciding;
    }

    public function planDate(): int
    {
        return $this->plan->options->planDate;
    }

    public function dates(): Dates
    {
        return $this->presenter->dates;
    }

    public function place(Supply|Demand $element): PlacedItem
    {
        $point = $this->plan->structure->points[$element->point];

        return new PlacedItem($point->item->code, $point->site->code, $point->item->name, $point->item->unit);
    }

    public function supply(Supply $supply): Link
    {
        return match (true) {
            $supply->kind === SupplyKind::Stock => new Link((string) trans('On hand'), null),
            $supply->kind === SupplyKind::Proposal => new Link((string) match ($supply->type) {
                OrderKind::Make => trans('to be made'),
                OrderKind::Transfer => trans('to be sent'),
                default => trans('to be bought'),
            }, null),
            NewOrderCode::is($supply->name) => new Link((string) trans('as asked'), null),
            default => new Link($supply->name, Describe::orderHref($supply->name)),
        };
    }

    public function demand(Demand $demand): Link
    {
        return $this->presenter->consumer($this->plan, $demand);
    }

    public function supplierName(string $code): string
    {
        return $this->presenter->supplierName($code);
    }

    public function served(Demand $demand): array
    {
        $pegs = $this->pegs->serving($demand);
        $kinds = SupplyKind::cases();
        usort($pegs, fn (Peg $a, Peg $b) => $a->supply->available <=> $b->supply->available
            ?: array_search($a->supply->kind, $kinds, true) <=> array_search($b->supply->kind, $kinds, true)
            ?: $a->supply->rank <=> $b->supply->rank);

        return $pegs;
    }

    public function serves(Supply $supply): array
    {
        return $this->pegs->servedBy($supply);
    }

    public function inputs(Supply $supply): array
    {
        return $supply->inputs;
    }

    public function decides(Demand $demand): bool
    {
        return isset($this->deciding[spl_object_id($demand)]);
    }

    public function operations(array $supplies): array
    {
        $operations = [];
        foreach ($supplies as $supply) {
            $operations[spl_object_id($supply)] = array_map(fn (ShopPlace $place) => new ThreadOperation(
                op: $place->op, centre: $place->workCentre, units: implode(';', $place->units), start: Minute::format($place->start),
                end: Minute::format($place->end), waited: max(0, $place->start - $place->ready),
            ), $this->plan->inShop($supply));
        }

        return $operations;
    }

    public function waitsFor(Supply $supply): ?Demand
    {
        return $supply->waitsFor;
    }
}
