<?php

declare(strict_types=1);

namespace App\Trials\Views;

use App\Reading\Describe;
use App\Reading\Shapes\PromisedItem;
use App\Reading\Shapes\PromisedPart;
use App\Reading\Shapes\PromiseHitRow;
use App\Reading\Shapes\PromiseReply;
use App\Reading\Shapes\PromiseSource;
use App\Support\Words;
use App\Trials\PromiseWishes;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Plan\Cover;
use Yposta\Core\Plan\PegIndex;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Promise\JointPromise;
use Yposta\Core\Promise\PromiseGround;
use Yposta\Core\Promise\PromiseHit;
use Yposta\Core\Promise\PromisePart;
use Yposta\Core\Promise\Promises;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Run\Peg;
use Yposta\Core\Run\SupplyKind;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Support\Phrase;

/** When what a customer asks for can be promised, in shapes of the interface. */
final readonly class PromiseView
{
    private TrialPresenter $presenter;

    public function __construct(private PromiseGround $ground, private int $planDate)
    {
        $this->presenter = new TrialPresenter($ground->network, $planDate);
    }

    /** @throws DoesNotFit when something is no item that is delivered, or not planned there */
    public function of(PromiseWishes $asked): PromiseReply
    {
        foreach ($asked->wishes as $wish) {
            self::mustBeDelivered($this->ground->network, $wish['item'], $wish['site']);
        }

        return $asked->together && count($asked->wishes) > 1 ? $this->together($asked) : $this->each($asked);
    }

    /** @throws DoesNotFit when it is a phantom, or nothing says how it comes there */
    public static function mustBeDelivered(Network $network, string $item, string $site): void
    {
        ($network->items[$item]->phantom ?? false) && throw DoesNotFit::because('promise_phantom', ['item' => $item]);
        isset($network->items[$item]) && ! isset($network->planning[Network::key($item, $site)])
            && throw DoesNotFit::because('promise_no_source', ['item' => $item, 'site' => $site]);
    }

    /** Each by itself, beside those before it. */
    private function each(PromiseWishes $asked): PromiseReply
    {
        $items = $given = [];
        foreach ($asked->wishes as $wish) {
            $promises = new Promises(
                ground: $this->ground, item: $wish['item'], site: $wish['site'], qty: $wish['qty'], wished: $asked->wished,
                given: $given, regardless: $asked->regardless,
            );
            $answer = $promises->answer(sources: false);
            $day = $answer->earliest;
            $lines = $day === null ? [] : $promises->lines([new PromisePart($wish['qty'], $day)]);
            $items[] = $this->item($wish, $day, $answer->onDate, $answer->split, $answer->decidedBy, [...$given, ...$lines], count($given));
            array_push($given, ...$lines);
        }

        return new PromiseReply(
            items: $items, together: false, day: null, decidedBy: null, hits: $this->hits($given, $asked->regardless),
            from: $this->presenter->dates->iso(max($asked->wished, $this->planDate)),
        );
    }

    private function together(PromiseWishes $asked): PromiseReply
    {
        $joint = new JointPromise($this->ground, $asked->wishes, $asked->wished, $asked->regardless);
        $day = $joint->earliest();
        $lines = $day === null ? [] : $joint->lines($day);
        $items = [];
        foreach ($asked->wishes as $place => $wish) {
            $items[] = $this->item($wish, $day, 0, [], null, $lines, $place);
        }

        return new PromiseReply(
            items: $items, together: true, day: $this->presenter->dates->isoOrNull($day), decidedBy: $this->said($joint->decidedBy($day)),
            hits: $this->hits($lines, $asked->regardless), from: $this->presenter->dates->iso(max($asked->wished, $this->planDate)),
        );
    }

    /**
     * Who is served later for some lines; nobody where others count.
     *
     * @param  list<SalesLine>  $lines
     * @return list<PromiseHitRow>
     */
    private function hits(array $lines, bool $regardless): array
    {
        return $lines === [] || ! $regardless
            ? []
            : $this->rows($this->ground->read($lines, fn (Plan $plan) => $this->ground->hits($plan)));
    }

    /**
     * @param  list<PromiseHit>  $hits
     * @return list<PromiseHitRow>
     */
    public function rows(array $hits): array
    {
        return array_map(fn (PromiseHit $hit) => new PromiseHitRow(
            reference: (string) $hit->line->reference(),
            label: $hit->line->reference()->name,
            customer: $hit->line->customer,
            item: $hit->line->item,
            unit: $this->ground->network->items[$hit->line->item]->unit,
            before: $this->presenter->dates->isoOrNull($hit->before),
            after: $this->presenter->dates->isoOrNull($hit->after),
            days: $hit->days(),
            missing: Quantity::format($hit->missing),
            href: '/demand?'.http_build_query(['q' => $hit->line->order]),
        ), $hits);
    }

    /**
     * @param  array{item: string, site: string, qty: int}  $wish
     * @param  list<PromisePart>  $split
     * @param  list<SalesLine>  $lines  on the earliest day, with those that are promised along; empty where there is none
     * @param  int  $place  of its own line among them
     */
    private function item(
        array $wish,
        ?int $earliest,
        int $onDate,
        array $split,
        ?Phrase $decidedBy,
        array $lines,
        int $place,
    ): PromisedItem {
        $item = $this->ground->network->items[$wish['item']];
        $read = function (Plan $plan) use ($lines, $place, $item): array {
            $demand = $this->ground->demand($plan, $lines[$place]);
            $pegs = $demand === null ? [] : (new PegIndex($plan))->serving($demand);

            return [
                $demand === null ? null : $this->presenter->strip(Cover::of($demand, $pegs), $item->unit),
                array_map(fn (Peg $peg) => $this->source($plan, $peg), $pegs),
            ];
        };
        [$strip, $sources] = $earliest === null ? [null, []] : $this->ground->read($lines, $read);
        usort($sources, fn (PromiseSource $a, PromiseSource $b) => strcmp($a->day, $b->day));

        return new PromisedItem(
            of: (string) Reference::stock($item->code, $wish['site']),
            item: $item->code,
            name: $item->name,
            site: $wish['site'],
            unit: $item->unit,
            decimals: $item->decimals,
            qty: Quantity::format($wish['qty']),
            earliest: $this->presenter->dates->isoOrNull($earliest),
            onDate: Quantity::format($onDate),
            split: count($split) < 2 ? [] : array_map(
                fn (PromisePart $part) => new PromisedPart(Quantity::format($part->qty), $this->presenter->dates->iso($part->date)), $split,
            ),
            decidedBy: $this->said($decidedBy),
            strip: $strip,
            sources: $sources,
        );
    }

    private function source(Plan $plan, Peg $peg): PromiseSource
    {
        $supply = $peg->supply;
        $point = $plan->structure->points[$supply->point];

        return new PromiseSource(
            kind: $supply->kind,
            label: match (true) {
                $supply->kind === SupplyKind::Stock => (string) trans('in stock'),
                $supply->kind === SupplyKind::Order => $this->presenter->supply($supply),
                default => (string) trans("proposal to {$supply->type?->value}"),
            },
            qty: Quantity::format($peg->qty),
            start: $supply->kind === SupplyKind::Stock ? null : $this->presenter->dates->iso(max($supply->start, $this->planDate)),
            day: $this->presenter->dates->iso(max($supply->available, $this->planDate)),
            href: $supply->kind === SupplyKind::Order
                ? Describe::orderHref($supply->name)
                : Describe::itemHref($point->item->code, $point->site->code),
        );
    }

    private function said(?Phrase $phrase): ?string
    {
        return $phrase === null ? null : Words::say($phrase, $this->planDate);
    }
}
