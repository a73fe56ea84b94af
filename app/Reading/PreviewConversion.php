<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\NetworkReader;
use App\Planning\OrderCodes;
use App\Planning\ProposalHeading;
use App\Reading\Shapes\ConversionPreview;
use App\Reading\Shapes\LineToConvert;
use App\Reading\Shapes\OrderToMake;
use App\Support\Refused;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\Supplier;
use Yposta\Core\Network\SupplyWays;
use Yposta\Core\Run\Supply;

/** The orders that proposals would become as they were picked and changed, and what those are worth. Writes nothing. */
final readonly class PreviewConversion
{
    /** @var array<string, string> by code */
    private array $siteNames;

    /** @param  bool  $asRequests  whether purchases are handed to purchasing, each by itself */
    public function __construct(private StoredPlan $plan, private bool $asRequests = false)
    {
        $this->siteNames = DB::table('sites')->pluck('name', 'code')->all();
    }

    /**
     * @param  list<ConversionLine>  $lines
     * @param  list<int>  $picked  numbers of those that would be converted; the others were only changed
     */
    public function of(array $lines, array $picked): ConversionPreview
    {
        $proposals = $this->plan->proposals(array_map(fn (ConversionLine $line) => $line->number, $lines));
        $items = array_values(array_map(fn (Supply $proposal) => $this->plan->pointOf($proposal->point)->item, $proposals));
        $network = app(NetworkReader::class)->ways($items);
        $suppliers = $network->suppliers;
        $ways = new SupplyWays($network);
        $words = new HeadingWords($this->siteNames, array_map(fn (Supplier $supplier) => $supplier->name, $suppliers));
        $prices = new Prices;
        $prices->load($items);
        $isPicked = array_flip($picked);
        $said = $groups = [];
        foreach ($lines as $line) {
            $proposal = $proposals[$line->number] ?? null;
            if ($proposal === null) {
                continue;
            }
            $point = $this->plan->pointOf($proposal->point);
            try {
                $qty = $line->quantity($proposal, $point);
                $way = $line->suppliedBy($proposal, $point, $ways, $this->asRequests);
                $rest = $line->rest($proposal, $point, $this->plan->planDate);
            } catch (Refused $trouble) {
                $said[] = new LineToConvert($line->number, null, '', null, $trouble->sentence());

                continue;
            }
            $kind = $way->supply ?? $proposal->type ?? OrderKind::Buy;
            $supplier = $way === null ? $proposal->supplier : $way->supplier;
            $heading = ProposalHeading::of($kind, $supplier, $way === null ? $proposal->fromSite : $way->fromSite, $point->site);
            $value = $kind === OrderKind::Buy ? $prices->value($qty, $point, $supplier) : null;
            $currency = $supplier === null ? '' : $suppliers[$supplier]->currency;
            $said[] = new LineToConvert(
                $line->number, $value === null ? null : (string) $value, $currency, $way === null ? null : $words->order($heading), null,
            );
            if (isset($isPicked[$line->number])) {
                $together = $this->asRequests ? null : OrderCodes::together($kind, $supplier, $point->site);
                foreach (array_filter([$qty, $rest[0] ?? 0]) as $part => $ordered) {
                    $groups[$together ?? "\x1f{$line->number} {$part}"][] = [
                        $kind, $words->order($heading), $currency, Words::quantity($ordered, $point->unit)." {$point->item}",
                        $kind === OrderKind::Buy ? $prices->value($ordered, $point, $supplier) : 0,
                    ];
                }
            }
        }
        $made = array_map(
            fn (array $lines) => new OrderToMake(
                kind: $lines[0][0],
                title: $lines[0][1],
                lines: array_column($lines, 3),
                value: $lines[0][0] === OrderKind::Buy ? (string) array_sum(array_column($lines, 4)) : null,
                currency: $lines[0][2],
            ),
            array_values($groups),
        );

        return new ConversionPreview(
            $made, $said, $this->counted(array_map(fn (OrderToMake $order) => $order->kind, $made)), $this->worth($made),
        );
    }

    /** @param  list<OrderKind>  $kinds */
    private function counted(array $kinds): string
    {
        $others = $this->asRequests ? array_values(array_filter($kinds, fn (OrderKind $kind) => $kind !== OrderKind::Buy)) : $kinds;
        $bought = count($kinds) - count($others);
        $orders = OrderCounts::said($others);

        return implode(', ', array_filter([
            $bought === 0 ? '' : trans_choice('{1} 1 request|[2,*] :count requests', $bought, ['count' => $bought]), $orders,
        ]));
    }

    /** @param  list<OrderToMake>  $orders */
    private function worth(array $orders): string
    {
        $sums = [];
        foreach ($orders as $order) {
            $order->value === null || $sums[$order->currency] = ($sums[$order->currency] ?? 0) + (int) $order->value;
        }

        return implode(' + ', array_map(
            fn (int $sum, string $currency) => trim(Words::money($sum)." {$currency}"), $sums, array_map(strval(...), array_keys($sums)),
        ));
    }
}
