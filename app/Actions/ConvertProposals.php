<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Run;
use App\Models\User;
use App\Planning\ChangeRights;
use App\Planning\LiveNetwork;
use App\Planning\OrderCodes;
use App\Planning\PurchaseTables;
use App\Planning\RunParameters;
use App\Planning\RunProposals;
use App\Reading\ConversionLine;
use App\Reading\OrderCounts;
use App\Reading\Shapes\Converted;
use App\Reading\Shapes\MadeOrder;
use App\Reading\StoredPlan;
use App\Support\Idempotency;
use App\Support\Refused;
use App\Support\Words;
use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use Yposta\Core\Conversion\ConversionOrders;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\SupplyWays;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Quantity\QuantityGuard;
use Yposta\Core\Quantity\QuantityOutOfRange;
use Yposta\Core\Reference\NewOrderCode;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\ProposalOrigin;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Support\Phrase;

/**
 * Makes orders of proposals: a draft of them, planned first and committed at once. What stands in the way of one stands in the way of
 * all, and nothing is made.
 */
final readonly class ConvertProposals
{
    public function __construct(private LiveNetwork $data, private CommitChanges $commit, private PlanClient $plans)
    {
    }

    /**
     * @param  list<ConversionLine>  $lines
     * @param  bool  $sure  whether the person has seen that a quantity is far from what is needed
     * @param  bool  $agreed  whether the person has seen whom it makes wait
     * @param  string|null  $handOver  what purchasing is told, where purchases are handed to it as requests; null to order them
     * @return array<string, mixed> Converted
     *
     * @throws Refused
     */
    public function __invoke(int $runId, array $lines, string $key, bool $sure, bool $agreed, User $by, ?string $handOver = null): array
    {
        $before = Idempotency::answer($key, 'convert', $by);
        if ($before !== null) {
            return $before;
        }
        $plan = $this->plan($runId, $lines);
        $network = $this->data->read();
        [$orders, $absurd] = $this->orders($plan, $network, $lines, $by, $handOver !== null);
        $sure
            || $absurd === []
            || throw Refused::because('convert.absurd', ['lines' => implode('; ', $absurd)], 'absurd', ['lines' => $absurd]);
        $agreed || $this->planFirst($orders);

        return Idempotency::once($key, 'convert', $by, function () use ($plan, $lines, $orders, $network, $by, $handOver): array {
            Run::live()?->id === $plan->run->id || $this->plan($plan->run->id, $lines);
            $written = ($this->commit)([$orders], [], $by, asRequests: $handOver !== null);
            $made = $this->made($orders, $written['orders'], $network);
            if ($handOver !== null) {
                $bought = array_filter($orders, fn (PutOrder $put) => $put->order->kind === OrderKind::Buy);
                PurchaseTables::handOver(array_values(array_intersect_key($written['orders'], $bought)), $handOver, $by);
            }

            $kinds = array_map(fn (MadeOrder $order) => $order->kind, $made);

            return get_object_vars(new Converted($made, $written['commit'], $this->told($kinds, $handOver !== null)));
        });
    }

    /** @param  list<OrderKind>  $kinds */
    private function told(array $kinds, bool $asRequests): string
    {
        $bought = $asRequests ? count(array_filter($kinds, fn (OrderKind $kind) => $kind === OrderKind::Buy)) : 0;
        $requests = $bought === 0 ? '' : Words::say(new Phrase('journal.made.requests', ['count' => $bought]));
        $orders = OrderCounts::said(
            $bought === 0 ? $kinds : array_values(array_filter($kinds, fn (OrderKind $kind) => $kind !== OrderKind::Buy)), made: true,
        );

        return trim("{$requests} {$orders}");
    }

    /** @param  list<ConversionLine>  $lines */
    private function plan(int $runId, array $lines): StoredPlan
    {
        $run = Run::live();
        if ($run === null || $run->id !== $runId) {
            throw Run::query()->whereKey($runId)->whereNotNull('study_id')->exists()
                ? Refused::because('convert.study', [], 'study')
                : Refused::because('convert.newer_plan', [], 'stale');
        }
        if ($lines === []) {
            throw Refused::because('convert.none');
        }
        $numbers = array_map(fn (ConversionLine $line) => $line->number, $lines);
        if (count(array_unique($numbers)) !== count($numbers)) {
            throw Refused::because('convert.twice');
        }
        $taken = RunProposals::converted(array_map(fn (int $number) => new ProposalOrigin($runId, $number), $numbers))->first();
        if ($taken !== null) {
            throw Refused::because(
                'convert.converted',
                ['number' => (string) $taken->proposal, 'order' => (string) $taken->order, 'by' => (string) $taken->by],
                'converted', ['number' => (int) $taken->proposal, 'order' => $taken->order],
            );
        }

        $since = RunProposals::orderedSince($run, $numbers);
        if ($since !== null) {
            throw Refused::because(
                'convert.ordered_since',
                ['item' => (string) $since->item, 'order' => (string) $since->order, 'by' => (string) $since->by], 'stale',
            );
        }

        return new StoredPlan($run);
    }

    /**
     * The orders that the lines ask for, by due date, and what is far from what is needed.
     *
     * @param  list<ConversionLine>  $lines
     * @return array{non-empty-list<PutOrder>, list<string>}
     */
    private function orders(StoredPlan $plan, Network $network, array $lines, User $by, bool $asRequests): array
    {
        $proposals = $plan->proposals(array_map(fn (ConversionLine $line) => $line->number, $lines));
        $maker = new ConversionOrders(
            $network,
            RunParameters::options([...$plan->run->parameters, 'sites' => null, 'items' => null, 'forecasts' => []]),
        );
        $codes = NewOrderCode::free($network->orders, 2 * count($lines));
        $ways = new SupplyWays($network);
        $orders = $absurd = $rests = [];
        foreach ($lines as $place => $line) {
            $proposal = $proposals[$line->number] ?? throw Refused::because('convert.unknown', ['number' => (string) $line->number]);
            $point = $plan->pointOf($proposal->point);
            $way = $line->suppliedBy($proposal, $point, $ways, $asRequests);
            $kind = $way->supply ?? $proposal->type ?? OrderKind::Buy;
            if (! $by->can(ChangeRights::ofKind($kind))) {
                throw Refused::because(
                    'convert.forbidden',
                    ['kind' => new Phrase("refused.convert.kind.{$kind->value}"), 'item' => $point->item],
                    'forbidden',
                );
            }
            $qty = $line->quantity($proposal, $point);
            QuantityGuard::isAbsurd($proposal->qty, $qty)
                && $absurd[] = Words::say(new Phrase(
                    'refused.convert.absurd_line',
                    [
                        'item' => $point->item,
                        'qty' => new Amount($qty, $point->unit),
                        'proposed' => new Amount($proposal->qty, $point->unit),
                    ],
                ));
            try {
                $orders[] = $order = $maker->order(
                    $proposal, $point->item, $point->site, $codes[$place], $qty,
                    $line->dueDay($point, $plan->planDate),
                    $way,
                    new ProposalOrigin($plan->run->id, $line->number),
                );
                $line->qty === null && $way === null
                    || array_push($absurd, ...array_map(Words::say(...), $maker->departures($order->order)));
                $rest = $line->rest($proposal, $point, $plan->planDate);
                $rest === null || $rests[] = $maker->order(
                    $proposal, $point->item, $point->site, $codes[count($lines) + $place], $rest[0], $rest[1], $way,
                );
            } catch (QuantityOutOfRange) {
                throw Refused::because(
                    'convert.component_range',
                    ['item' => $point->item, 'most' => new Amount(Quantity::MAX)],
                    'quantity',
                );
            }
        }
        assert($orders !== []);

        return [[...$orders, ...$rests], $absurd];
    }

    /**
     * Says whom it would make wait, and which proposals to take along so that nobody has to.
     *
     * @param  list<PutOrder>  $orders
     */
    private function planFirst(array $orders): void
    {
        $delays = $this->plans->ask(PlanQuestion::Conversion, changes: array_map(ChangeCodec::encode(...), $orders));
        $lines = (array) $delays['lines'];
        $lines === [] || throw Refused::because('convert.delays', ['count' => count($lines)], 'delays', $delays);
    }

    /**
     * @param  list<PutOrder>  $orders
     * @param  list<string>  $codes  that their lines got
     * @return list<MadeOrder>
     */
    private function made(array $orders, array $codes, Network $network): array
    {
        $made = [];
        foreach ($orders as $place => $put) {
            $order = $put->order;
            $item = $network->items[$order->item];
            $code = $order->supplier === null ? $codes[$place] : OrderCodes::parse($codes[$place])[0];
            $what = Words::quantity($order->qty, $item->unit)." {$item->code}";
            $made[$code] = new MadeOrder(
                code: $code,
                kind: $order->kind,
                title: $order->supplier === null ? $item->code : $network->suppliers[$order->supplier]->name,
                what: isset($made[$code]) ? "{$made[$code]->what}, {$what}" : $what,
                href: "/orders/{$code}",
            );
        }

        return array_values($made);
    }
}
