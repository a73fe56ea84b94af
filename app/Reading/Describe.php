<?php

declare(strict_types=1);

namespace App\Reading;

use App\Reading\Shapes\ExplanationPeg;
use App\Reading\Shapes\Link;
use App\Reading\Shapes\MessageRow;
use App\Reading\Shapes\Strip;
use App\Reading\Shapes\WaitingNeed;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Plan\Cover;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;
use Yposta\Core\Run\Demand;
use Yposta\Core\Run\DemandKind;
use Yposta\Core\Run\MessageCode;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\Supply;
use Yposta\Core\Run\SupplyKind;

/** What to call the elements of a plan, and where they lead. */
final readonly class Describe
{
    public function __construct(private StoredPlan $plan)
    {
    }

    public static function itemHref(string $item, string $site): string
    {
        return '/item?'.http_build_query(['item' => $item, 'at' => $site]);
    }

    /** The page of the order that a line belongs to; lines of an order with several are numbered behind a dot. */
    public static function orderHref(string $line): string
    {
        return '/orders/line?'.http_build_query(['code' => $line]);
    }

    public static function proposalHref(string $number): string
    {
        return '/proposals?'.http_build_query(['until' => 'all', 'open' => $number]);
    }

    /** Where the order or job stands that a line is of. */
    public static function lineHref(Demand $demand): string
    {
        return $demand->kind === DemandKind::Job ? self::jobHref($demand->name) : '/demand?'.http_build_query(['q' => $demand->name]);
    }

    public static function jobHref(string $job): string
    {
        return '/jobs?'.http_build_query(['job' => $job]);
    }

    public function supply(Supply $supply): Link
    {
        return match ($supply->kind) {
            SupplyKind::Stock => new Link(trans('On hand'), null),
            SupplyKind::Order => new Link($supply->name, self::orderHref($supply->name)),
            SupplyKind::Proposal => new Link(trans('Proposal :number', ['number' => $supply->name]), self::proposalHref($supply->name)),
        };
    }

    public function demand(Demand $demand): Link
    {
        return match ($demand->kind) {
            DemandKind::Sales, DemandKind::Job => new Link("{$demand->name}/{$demand->line} {$demand->customer}", self::lineHref($demand)),
            DemandKind::Forecast => new Link(
                trans('Forecast :name', ['name' => $demand->name]),
                '/demand?'.http_build_query(['view' => 'forecast', 'q' => $this->plan->pointOf($demand->point)->item]),
            ),
            DemandKind::Safety => new Link(trans('Safety stock'), null),
            DemandKind::Part, DemandKind::Out => $this->input($demand),
        };
    }

    private function input(Demand $demand): Link
    {
        $for = $demand->for;
        if ($for === null) {
            return new Link($demand->name, null);
        }
        $point = $this->plan->pointOf($for->point);
        $what = $demand->kind === DemandKind::Out ? trans('to :site', ['site' => $point->site]) : $point->item;

        return $for->isProposal()
            ? new Link(trans(':what, proposal :number', ['what' => $what, 'number' => $for->name]), self::proposalHref($for->name))
            : new Link("{$for->name} {$what}", self::orderHref($for->name));
    }

    /** @param  list<Peg>  $pegs  of the demand */
    public function strip(Demand $demand, array $pegs): Strip
    {
        return CoverPresenter::of(Cover::of($demand, $pegs), $this->plan->pointOf($demand->point)->unit, $this->plan->dates);
    }

    /**
     * Whom a supply serves, with what is left over.
     *
     * @param  list<Peg>  $pegs
     * @return list<ExplanationPeg>
     */
    public function serves(Supply $supply, array $pegs): array
    {
        $left = $supply->qty;
        $rows = [];
        foreach ($pegs as $peg) {
            $left -= $peg->qty;
            $rows[] = new ExplanationPeg(
                $this->demand($peg->demand),
                $peg->demand->need === null ? '' : Words::day($peg->demand->need, $this->plan->planDate),
                Quantity::format($peg->qty),
            );
        }
        if ($left > 0) {
            $rows[] = new ExplanationPeg(new Link(trans('left over'), null), '', Quantity::format($left));
        }

        return $rows;
    }

    /**
     * To whom what comes can go straight: components of orders, and customers.
     *
     * @param  list<Peg>  $pegs
     * @return list<WaitingNeed>
     */
    public function waiting(array $pegs): array
    {
        $found = [];
        foreach ($pegs as $peg) {
            $isOrder = $peg->demand->kind === DemandKind::Part && ! $peg->demand->isOfProposal();
            if ($isOrder || $peg->demand->kind->isOrdered()) {
                $found[] = new WaitingNeed(
                    (string) $peg->demand->reference(), $this->demand($peg->demand)->label, Quantity::format($peg->qty),
                );
            }
        }

        return $found;
    }

    /**
     * The messages about a point, or about one reference in it.
     *
     * @return list<MessageRow>
     */
    public function messages(int $point, ?string $reference = null): array
    {
        $rows = DB::table('plan_messages')->where('run_id', $this->plan->run->id)->where('point', $point)
            ->when($reference !== null, fn ($query) => $query->where('reference', $reference))->orderBy('from_date')->orderBy('n')->get();

        return array_values($rows->map(fn ($row) => $this->message($row))->all());
    }

    public function message(\stdClass $row): MessageRow
    {
        $point = $this->plan->pointOf((int) $row->point);
        $reference = Reference::parse($row->reference);
        $href = match ($reference->kind) {
            ReferenceKind::Order => self::orderHref($reference->name),
            ReferenceKind::Proposal => self::proposalHref($reference->name),
            default => self::itemHref($point->item, $point->site),
        };

        return new MessageRow(
            code: MessageCode::from($row->code),
            text: $row->text,
            item: $point->item,
            site: $point->site,
            from: $row->from_date,
            to: $row->to_date,
            href: $href,
        );
    }
}
