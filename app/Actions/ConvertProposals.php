<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Order;
use App\Models\OrderLine;
use App\Models\Run;
use App\Models\User;
use App\Planning\Dates;
use App\Planning\OrderDraft;
use App\Planning\Read\StoredPlan;
use App\Support\Idempotency;
use App\Support\Journal;
use App\Support\OrderNumbers;
use App\Support\Roles;
use App\Support\Say;
use Illuminate\Support\Facades\DB;
use InvalidArgumentException;
use LogicException;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Plan\ConversionDate;
use Yposta\Core\Plan\QuantityGuard;
use Yposta\Core\Plan\Supply;
use Yposta\Core\Quantity\InvalidQuantity;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Quantity\QuantityOutOfRange;

/**
 * Makes orders of proposals: one purchase order for each supplier and site, one production or transfer order for each proposal.
 *
 * All in one transaction, once for each key. What stands in the way of one stands in the way of all, and nothing is made.
 *
 * @phpstan-type Wanted array{proposal: Supply, item: string, site: string, unit: string, qty: int, due: int, supplier: string|null}
 */
final readonly class ConvertProposals
{
    private const PERMISSIONS = ['buy' => Roles::BUY, 'make' => Roles::MAKE, 'transfer' => Roles::TRANSFER];

    private const KINDS = ['buy' => 'purchase', 'make' => 'production', 'transfer' => 'transfer'];

    private Dates $dates;

    public function __construct(private OrderDraft $draft)
    {
        $this->dates = new Dates;
    }

    /**
     * @param  list<ConversionLine>  $lines
     * @param  bool  $sure  whether the person has seen that a quantity is far from what is needed
     * @return array<string, mixed> `orders`: code, kind, title and href of each order made; `message`
     *
     * @throws Refused
     */
    public function __invoke(int $runId, array $lines, string $key, bool $sure, User $by): array
    {
        return Idempotency::once($key, 'convert', $by, function () use ($runId, $lines, $sure, $by): array {
            if (Run::query()->whereKey($runId)->whereNotNull('study_id')->exists()) {
                throw new Refused('A study never makes orders. Nothing was ordered; go back to the live plan and convert there.', 'study');
            }
            $run = Run::live();
            if ($run === null || $run->id !== $runId) {
                throw new Refused('A newer plan has taken the place of the one you saw. Nothing was ordered; look at its proposals and pick again.', 'stale');
            }
            if ($lines === []) {
                throw new Refused('No proposal was picked. Nothing was ordered.');
            }
            $plan = new StoredPlan($run);
            $this->refuseConverted($plan, $lines);
            $wanted = array_map(fn (ConversionLine $line) => $this->wanted($plan, $line, $by), $lines);
            $sure || $this->askAboutAbsurd($wanted);
            $orders = [...$this->purchases($run, $wanted, $by), ...$this->others($run, $wanted, $by)];

            return ['orders' => $orders, 'message' => $this->message($orders)];
        });
    }

    /** @param  list<ConversionLine>  $lines */
    private function refuseConverted(StoredPlan $plan, array $lines): void
    {
        $numbers = array_map(fn (ConversionLine $line) => $line->number, $lines);
        if (count(array_unique($numbers)) !== count($numbers)) {
            throw new Refused('A proposal was picked twice. Nothing was ordered.');
        }
        $conversions = $plan->conversions();
        foreach ($numbers as $number) {
            $before = $conversions->get($number);
            if ($before !== null) {
                throw new Refused("Proposal {$number} was already made into {$before->order} by {$before->by}. Nothing more was ordered; the list has been refreshed.", 'converted', ['number' => $number, 'order' => $before->order]);
            }
        }
    }

    /** @return Wanted */
    private function wanted(StoredPlan $plan, ConversionLine $line, User $by): array
    {
        $n = DB::table('plan_supplies')->where('run_id', $plan->run->id)->where('kind', 'proposal')->where('name', (string) $line->number)->value('n');
        if (! is_numeric($n)) {
            throw new Refused("There is no proposal {$line->number} in this plan. Nothing was ordered.");
        }
        $proposal = $plan->supplyNumbered((int) $n);
        $point = $plan->pointOf($proposal->point);
        $kind = $proposal->type->value ?? throw new LogicException('a proposal has a kind');
        if (! $by->can(self::PERMISSIONS[$kind])) {
            throw new Refused('You may not make '.self::KINDS[$kind]." orders, and {$point->item} would need one. Nothing was ordered.", 'forbidden');
        }
        $qty = $line->qty === null ? $proposal->qty : $this->quantity($line->qty, $point->item, $point->decimals);
        $supplier = $kind === 'buy' ? $line->supplier ?? $proposal->supplier : null;
        if ($kind === 'buy' && ($supplier === null || ! DB::table('suppliers')->where('code', $supplier)->exists())) {
            throw new Refused($supplier === null ? "{$point->item} has no supplier. Choose one first; nothing was ordered." : "There is no supplier {$supplier}. Nothing was ordered.", 'supplier', ['number' => $line->number]);
        }

        if ($line->due !== null) {
            $due = $this->due($line->due, $point->item, $plan->planDate);
        } else {
            $earliest = $supplier === null || $supplier === $proposal->supplier ? null : $this->draft->earliest($plan->run, $point->item, $point->site, $supplier);
            $due = ConversionDate::of($proposal, (int) ($plan->run->parameters['bringInDays'] ?? 0), $earliest);
        }

        return ['proposal' => $proposal, 'item' => $point->item, 'site' => $point->site, 'unit' => $point->unit, 'qty' => $qty, 'due' => $due, 'supplier' => $supplier];
    }

    private function quantity(string $text, string $item, int $decimals): int
    {
        try {
            $qty = Quantity::parse(trim($text));
        } catch (InvalidQuantity $trouble) {
            throw new Refused("The quantity of {$item}: {$trouble->getMessage()}. Nothing was ordered.", 'quantity');
        }
        if ($qty <= 0) {
            throw new Refused("The quantity of {$item} must be above 0. Nothing was ordered.", 'quantity');
        }
        if (! Quantity::fits($qty, $decimals)) {
            throw new Refused("The quantity of {$item} has more decimals than the item, which has {$decimals}. Nothing was ordered.", 'quantity');
        }

        return $qty;
    }

    private function due(string $text, string $item, int $planDate): int
    {
        try {
            $due = Day::parse(trim($text));
        } catch (InvalidArgumentException $trouble) {
            throw new Refused("The date of {$item}: {$trouble->getMessage()}. Nothing was ordered.", 'date');
        }
        if ($due < $planDate) {
            throw new Refused("The date of {$item} has passed. Nothing was ordered.", 'date');
        }

        return $due;
    }

    /** @param  list<Wanted>  $wanted */
    private function askAboutAbsurd(array $wanted): void
    {
        $absurd = [];
        foreach ($wanted as $line) {
            if (QuantityGuard::isAbsurd($line['proposal']->qty, $line['qty'])) {
                $absurd[] = "{$line['item']}: ".Say::quantity($line['qty'], $line['unit']).' instead of the proposed '.Say::quantity($line['proposal']->qty, $line['unit']);
            }
        }
        if ($absurd !== []) {
            throw new Refused('Far from what is needed: '.implode('; ', $absurd).'. Nothing was ordered yet.', 'absurd', ['lines' => $absurd]);
        }
    }

    /**
     * @param  list<Wanted>  $wanted
     * @return list<array<string, string>>
     */
    private function purchases(Run $run, array $wanted, User $by): array
    {
        $groups = [];
        foreach ($wanted as $line) {
            if ($line['supplier'] !== null) {
                $groups["{$line['supplier']}\x1f{$line['site']}"][] = $line;
            }
        }
        $made = [];
        foreach ($groups as $lines) {
            usort($lines, fn (array $a, array $b) => $a['due'] <=> $b['due'] ?: strcmp($a['item'], $b['item']));
            $order = $this->order('buy', $lines[0]['site'], $lines[0]['supplier'], $by);
            foreach ($lines as $place => $line) {
                $price = DB::table('supplier_items')->where('supplier_code', $line['supplier'])->where('item_code', $line['item'])->value('price');
                $this->line($run, $order, $place + 1, count($lines), $line, is_numeric($price) ? (int) $price : null, $by);
            }
            $made[] = $this->made($order, (string) DB::table('suppliers')->where('code', $lines[0]['supplier'])->value('name'), $lines, $by);
        }

        return $made;
    }

    /**
     * @param  list<Wanted>  $wanted
     * @return list<array<string, string>>
     */
    private function others(Run $run, array $wanted, User $by): array
    {
        $made = [];
        foreach ($wanted as $line) {
            if ($line['supplier'] === null) {
                $order = $this->order((string) $line['proposal']->type?->value, $line['site'], null, $by);
                $this->line($run, $order, 1, 1, $line, null, $by);
                $made[] = $this->made($order, $line['item'], [$line], $by);
            }
        }

        return $made;
    }

    private function order(string $kind, string $site, ?string $supplier, User $by): Order
    {
        return Order::query()->create(['code' => OrderNumbers::next($kind), 'kind' => $kind, 'status' => 'firm', 'site_code' => $site, 'supplier_code' => $supplier, 'created_by' => $by->id, 'version' => 1]);
    }

    /** @param  Wanted  $wanted */
    private function line(Run $run, Order $order, int $number, int $of, array $wanted, ?int $price, User $by): void
    {
        $proposal = $wanted['proposal'];
        try {
            $draft = $this->draft->of($run, $wanted['item'], $wanted['site'], $wanted['qty'], $wanted['due'], $wanted['supplier']);
        } catch (QuantityOutOfRange) {
            throw new Refused("A component of {$wanted['item']} would be needed in a quantity beyond 9,000,000,000,000. Nothing was ordered.", 'quantity');
        }
        $line = OrderLine::query()->create([
            'order_id' => $order->id, 'number' => $number, 'code' => $of === 1 ? $order->code : "{$order->code}.{$number}", 'item_code' => $wanted['item'], 'from_site_code' => $proposal->fromSite,
            'qty' => $wanted['qty'], 'received' => 0, 'start' => $draft['start'], 'due' => $this->dates->iso($wanted['due']), 'pinned' => false,
            'priority' => $proposal->priority, 'price' => $price, 'run_id' => $run->id, 'proposal' => (int) $proposal->name, 'version' => 1,
        ]);
        foreach ($draft['components'] as $component) {
            $line->components()->create($component);
        }
        DB::table('conversions')->insert(['run_id' => $run->id, 'proposal' => (int) $proposal->name, 'order_line_id' => $line->id, 'user_id' => $by->id, 'created_at' => now()]);
    }

    /**
     * @param  list<Wanted>  $lines
     * @return array<string, string>
     */
    private function made(Order $order, string $title, array $lines, User $by): array
    {
        $what = implode(', ', array_map(fn (array $line) => Say::quantity($line['qty'], $line['unit']).' '.$line['item'], $lines));
        Journal::write('order made', "{$order->code} made: {$what}", $by, $order, ['proposals' => array_map(fn (array $line) => (int) $line['proposal']->name, $lines)]);

        return ['code' => $order->code, 'kind' => $order->kind, 'title' => $title, 'what' => $what, 'href' => "/orders/{$order->code}"];
    }

    /** @param  list<array<string, string>>  $orders */
    private function message(array $orders): string
    {
        $counts = array_count_values(array_column($orders, 'kind'));
        $parts = [];
        foreach (self::KINDS as $kind => $name) {
            if (isset($counts[$kind])) {
                $parts[] = "{$counts[$kind]} {$name} order".($counts[$kind] === 1 ? '' : 's');
            }
        }

        return ucfirst(implode(' and ', $parts)).' made.';
    }
}
