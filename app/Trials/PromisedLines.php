<?php

declare(strict_types=1);

namespace App\Trials;

use App\Support\Refused;
use App\Trials\Views\PromiseView;
use Yposta\Core\Calendar\Date;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\ReferenceLookup;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Plan\Plan;
use Yposta\Core\Promise\AcceptedPromise;
use Yposta\Core\Promise\PromiseGround;
use Yposta\Core\Promise\PromiseHit;
use Yposta\Core\Promise\Promises;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\ProposalOrigins;
use Yposta\Core\Study\PutDemand;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Study\PutSalesLine;

/** Lines that are to be held for a customer or accepted, as they are sent. */
final readonly class PromisedLines
{
    /**
     * @param  non-empty-list<array{item: string, site: string, qty: string, date: string}>  $lines  quantities as decimals, ISO dates
     * @param  string  $order  code of the sales order that they become
     * @param  string|null  $until  an ISO date until which they are held; null to accept them
     * @param  string  $of  reference of a sales line, or of a hold, that the first of them takes the place of; may be empty
     */
    public function __construct(
        private array $lines,
        private string $order,
        private string $customer,
        private ?string $until = null,
        public bool $capacity = false,
        public string $of = '',
    ) {
    }

    /**
     * The network without a sales line.
     *
     * @param  string  $reference  of the line; empty for none
     *
     * @throws Refused when there is none
     */
    public static function without(Network $network, string $reference): Network
    {
        if ($reference === '') {
            return $network;
        }
        $own = self::line($network, $reference);

        return $network->with(sales: array_values(array_filter($network->sales, fn (SalesLine $line) => $line !== $own)));
    }

    /** @throws Refused when there is no such line */
    public static function line(Network $network, string $reference): SalesLine
    {
        $parsed = Reference::tryParse($reference);
        $line = $parsed === null ? null : (new ReferenceLookup($network))->salesLine($parsed);

        return $line ?? throw Refused::because('promise.no_line', ['line' => $reference], 'gone');
    }

    /**
     * @param  PromiseGround  $ground  without the line whose place is taken
     * @param  Network  $live  with it
     * @param  int  $today  day number
     * @return array{served: bool, hits: list<array<string, mixed>>, changes: list<array<string, mixed>>, orders: int} whether each is served by its day, PromiseHitRows, what to write, and how many orders are made
     *
     * @throws DoesNotFit when a line cannot be promised at all
     */
    public function written(PromiseGround $ground, ProposalOrigins $origins, Network $live, int $today): array
    {
        $own = $this->of === '' ? null : self::line($live, $this->of);
        $lines = $this->salesLines($ground, $own, $today);
        [$served, $hits] = $ground->read($lines, fn (Plan $plan, bool $isRoom) => [
            $isRoom && $ground->isServed($plan, $lines), $ground->hits($plan),
        ]);
        $served || $lines = array_map(fn (SalesLine $line) => $line->with(answered: $this->earliest($ground, $line)), $lines);
        $more = [];
        if ($this->until === null) {
            [$lines, $more, $later] = (new AcceptedPromise($ground, $origins))->of($lines);
            $known = array_map(fn (PromiseHit $hit) => (string) $hit->line->reference(), $hits);
            array_push($hits, ...array_filter($later, fn (PromiseHit $hit) => ! in_array((string) $hit->line->reference(), $known, true)));
        }

        return [
            'served' => $served,
            'hits' => array_map(get_object_vars(...), (new PromiseView($ground, $today))->rows($hits)),
            'changes' => array_map(fn (Change $change) => ChangeCodec::encode($change), [...self::put($lines, $own), ...$more]),
            'orders' => count(array_filter($more, fn (Change $change) => $change instanceof PutOrder)),
        ];
    }

    /** @return non-empty-list<SalesLine> */
    private function salesLines(PromiseGround $ground, ?SalesLine $own, int $today): array
    {
        $order = $own->order ?? $this->order;
        $order !== PromiseGround::ORDER || throw DoesNotFit::because('promise_taken', ['order' => $order]);
        $numbers = array_map(fn (SalesLine $line) => $line->order === $order ? (int) $line->line : 0, $ground->network->sales);
        $next = max([0, ...$numbers, (int) ($own->line ?? 0)]);
        $until = $this->until === null ? null : Day::parse($this->until);
        $customer = $own === null || $own->customer === '' ? $this->customer : $own->customer;
        $made = [];
        foreach ($this->lines as $place => $line) {
            $qty = Quantity::parse($line['qty']);
            $due = Day::parse($line['date']);
            $ground->check($line['item'], $line['site'], $qty, $due);
            PromiseView::mustBeDelivered($ground->network, $line['item'], $line['site']);
            $own === null || $place > 0 || [$line['item'], $line['site']] === [$own->item, $own->site]
                || throw DoesNotFit::because('promise_other', ['line' => $own->reference()->name, 'item' => $own->item, 'site' => $own->site]);
            $due >= $today || throw DoesNotFit::because('promise_passed', ['day' => new Date($due)]);
            $made[] = $own !== null && $place === 0
                ? $own->with(qty: $own->shipped + $qty, due: $due, heldUntil: $until, answered: null, customer: $customer)
                : SalesLine::of(
                    order: $order, line: (string) ++$next, item: $line['item'], site: $line['site'], qty: $qty, due: $due,
                    customer: $customer, priority: $own->priority ?? PromiseGround::PRIORITY, heldUntil: $until,
                );
        }

        return $made;
    }

    /** The first day on which a line could be promised. */
    private function earliest(PromiseGround $ground, SalesLine $line): ?int
    {
        return (new Promises($ground, $line->item, $line->site, $line->open(), $line->due))->earliest();
    }

    /**
     * @param  list<SalesLine>  $lines
     * @return list<Change> that make them be there, the first in the place of another
     */
    private static function put(array $lines, ?SalesLine $own): array
    {
        return array_map(
            fn (SalesLine $line, int $place) => $own !== null && $place === 0 ? new PutDemand([$line], []) : new PutSalesLine($line),
            $lines, array_keys($lines),
        );
    }
}
