<?php

declare(strict_types=1);

namespace App\Reading;

use App\Planning\OrderCodes;
use App\Planning\ProposalHeading;
use App\Reading\Shapes\ConversionPreview;
use App\Reading\Shapes\LineToConvert;
use App\Reading\Shapes\OrderToMake;
use App\Support\Refused;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Network\OrderKind;
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
        $suppliers = DB::table('suppliers')->whereIn('code', array_values(array_unique([
            ...array_filter(array_map(fn (ConversionLine $line) => $line->supplier, $lines)),
            ...array_filter(array_map(fn (Supply $proposal) => $proposal->supplier, $proposals)),
        ])))->get()->keyBy('code')->all();
        $words = new HeadingWords($this->siteNames, array_map(fn (stdClass $supplier) => (string) $supplier->name, $suppliers));
        $prices = new Prices;
        $prices->load(array_values(array_map(fn (Supply $proposal) => $this->plan->pointOf($proposal->point)->item, $proposals)));
        $isPicked = array_flip($picked);
        $said = $groups = [];
        foreach ($lines as $line) {
            $proposal = $proposals[$line->number] ?? null;
            if ($proposal === null) {
                continue;
            }
            $point = $this->plan->pointOf($proposal->point);
            $kind = $proposal->type ?? OrderKind::Buy;
            try {
                $qty = $line->quantity($proposal, $point);
                $supplier = $line->from($proposal, $point, fn (string $code) => isset($suppliers[$code]), $this->asRequests);
            } catch (Refused $trouble) {
                $said[] = new LineToConvert($line->number, null, '', $trouble->sentence());

                continue;
            }
            $value = $kind === OrderKind::Buy ? $prices->value($qty, $point, $supplier) : null;
            $currency = $supplier === null ? '' : (string) $suppliers[$supplier]->currency;
            $said[] = new LineToConvert($line->number, $value === null ? null : (string) $value, $currency, null);
            if (isset($isPicked[$line->number])) {
                $together = $this->asRequests ? null : OrderCodes::together($kind, $supplier, $point->site);
                $groups[$together ?? "\x1f{$line->number}"][] = [
                    $kind, $words->order(ProposalHeading::of($proposal->type, $supplier, $proposal->fromSite, $point->site)), $currency,
                    Words::quantity($qty, $point->unit)." {$point->item}", $value ?? 0,
                ];
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
