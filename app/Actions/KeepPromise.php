<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\LiveNetwork;
use App\Reading\Shapes\Told;
use App\Support\Idempotency;
use App\Support\Overtaken;
use App\Support\Refused;
use App\Support\Roles;
use App\Support\Settings;
use App\Support\Words;
use App\Trials\LivePlan;
use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use App\Trials\PromisedLines;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Date;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\Allocation;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\FreeSupply;
use Yposta\Core\Study\RemoveSalesLine;
use Yposta\Core\Support\Phrase;

/**
 * Holds what is promised to a customer until a day, accepts it with the orders that come of it, or drops it. What is written is worked out
 * on what stands then: who promises the last pieces second is told so, and asks again.
 */
final readonly class KeepPromise
{
    /** How often it is worked out again where others write meanwhile. */
    private const TRIES = 4;

    /** The number that the next enquiry without an order gets; locked while one is written, so that two never count on the same pieces. */
    private const NEXT = 'next_order.E';

    public function __construct(
        private CommitChanges $commit,
        private PlanClient $plans,
        private LivePlan $plan,
        private LiveNetwork $data,
    ) {
    }

    /**
     * @param  array{lines: non-empty-list<array{item: string, site: string, qty: string, date: string}>, order: string, customer: string, capacity: bool, of: string}  $promised
     * @param  string  $until  the last day, an ISO date
     * @param  list<string>  $agreed  references of lines that may come later for it
     * @return array<string, mixed> Told
     *
     * @throws Refused when it does not hold any more
     */
    public function hold(array $promised, string $until, array $agreed, string $key, User $by): array
    {
        $until >= Settings::planDate() || throw Refused::because('promise.until_passed', ['day' => new Date(Day::parse($until))], 'until');

        return $this->write([...$promised, 'until' => $until], $agreed, false, $key, $by);
    }

    /**
     * @param  array{lines: non-empty-list<array{item: string, site: string, qty: string, date: string}>, order: string, customer: string, capacity: bool, of: string}  $promised
     * @param  list<string>  $agreed  references of lines that may come later for it
     * @param  bool  $byHand  whether it is accepted though it may not be there by then
     * @param  bool  $held  whether it must be held still
     * @return array<string, mixed> Told
     *
     * @throws Refused when it does not hold any more, or a hold has lapsed
     */
    public function accept(array $promised, array $agreed, bool $byHand, string $key, User $by, bool $held = false): array
    {
        $this->allow($by);
        $held && Idempotency::answer($key, 'accept promise', $by) === null && $this->mustBeHeld($promised['of']);

        return $this->write([...$promised, 'until' => null], $agreed, $byHand, $key, $by);
    }

    /**
     * @param  string  $reference  of a line that is held
     * @return array<string, mixed> Told
     *
     * @throws Refused when it is not held any more
     */
    public function drop(string $reference, string $key, User $by): array
    {
        $this->allow($by);

        return Idempotency::once($key, 'drop promise', $by, function () use ($reference, $by): array {
            $network = $this->data->read();
            $line = PromisedLines::line($network, $reference);
            $this->mustBeHeld($reference);
            $said = new Phrase('journal.promise.dropped', ['whom' => self::whom($line->reference()->name, $line->customer)]);
            $frees = array_filter($network->allocations, fn (Allocation $held) => $held->demand === (string) $line->reference());
            ($this->commit)([[
                ...array_map(fn (Allocation $held) => new FreeSupply($held->demand, $held->supply), array_values($frees)),
                new RemoveSalesLine($line->order, $line->line),
            ]], [], $by, Words::say($said), Roles::PROMISE);

            return get_object_vars(new Told(Words::say($said)));
        });
    }

    /**
     * @param  array{lines: non-empty-list<array{item: string, site: string, qty: string, date: string}>, order: string, customer: string, capacity: bool, of: string, until: string|null}  $promised
     * @param  list<string>  $agreed
     * @return array<string, mixed> Told
     */
    private function write(array $promised, array $agreed, bool $byHand, string $key, User $by): array
    {
        $this->allow($by);
        $action = $promised['until'] === null ? 'accept promise' : 'hold promise';
        $before = Idempotency::answer($key, $action, $by);
        if ($before !== null) {
            return $before;
        }
        $promised['order'] = $promised['order'] !== '' || $promised['of'] !== '' ? $promised['order'] : $this->nextCode();
        for ($try = 1; $try <= self::TRIES; $try++) {
            // asked before anything is locked: whoever answers may have to read what others write
            $found = $this->plans->ask(PlanQuestion::Promised, lines: $promised);
            try {
                return Idempotency::once($key, $action, $by, function () use ($promised, $found, $agreed, $byHand, $by): array {
                    $this->lock();
                    $this->plan->look();

                    return $this->plan->stamp() === $found['stamp']
                        ? $this->written($promised, $found, $agreed, $byHand, $by)
                        : throw new Overtaken;
                });
            } catch (Overtaken) {
                continue; // others have written meanwhile
            }
        }
        throw Refused::because('promise.busy', [], 'busy');
    }

    /**
     * @param  array{lines: non-empty-list<array{item: string, site: string, qty: string, date: string}>, order: string, customer: string, capacity: bool, of: string, until: string|null}  $promised
     * @param  array<mixed>  $found  what it does, as it was worked out
     * @param  list<string>  $agreed
     * @return array<string, mixed> Told
     */
    private function written(array $promised, array $found, array $agreed, bool $byHand, User $by): array
    {
        $own = $promised['of'] === '' ? null : PromisedLines::line($this->data->read(), $promised['of']);
        $this->checkHold($own, $promised['until']);
        $hits = array_values(array_filter(
            (array) $found['hits'], fn (mixed $hit) => is_array($hit) && ! in_array($hit['reference'], $agreed, true),
        ));
        if ($found['served'] !== true && ! $byHand) {
            throw Refused::because('promise.gone', [], 'gone');
        }
        if ($hits !== []) {
            $names = implode(', ', array_slice(array_map(fn (array $hit) => trim("{$hit['label']} {$hit['customer']}"), $hits), 0, 4));
            throw Refused::because('promise.hits', ['names' => $names], 'hits', ['hits' => $hits]);
        }
        $code = match (true) {
            $promised['until'] !== null => 'journal.promise.held',
            $found['orders'] > 0 => 'journal.promise.accepted_made',
            default => 'journal.promise.accepted',
        };
        $said = new Phrase($code, [
            'what' => implode(', ', array_map(
                fn (array $line) => Words::say(new Phrase('journal.promise.part', [
                    'qty' => new Amount(Quantity::parse($line['qty']), $this->data->read()->items[$line['item']]->unit),
                    'item' => $line['item'], 'day' => new Date(Day::parse($line['date'])),
                ])), $promised['lines'],
            )),
            'whom' => self::whom($own->order ?? $promised['order'], $own->customer ?? $promised['customer']),
            'until' => $promised['until'] === null ? null : new Date(Day::parse($promised['until'])),
            'count' => (int) $found['orders'],
        ]);
        $changes = array_map(ChangeCodec::decode(...), array_values(array_filter((array) $found['changes'], is_array(...))));
        ($this->commit)([$changes], [], $by, Words::say($said), Roles::PROMISE);

        return get_object_vars(new Told(Words::say($said)));
    }

    /** @throws Refused when it was accepted meanwhile, or dropped */
    private function mustBeHeld(string $reference): void
    {
        $line = PromisedLines::line($this->data->read(), $reference);
        $line->heldUntil !== null || throw Refused::because('promise.not_held', ['line' => $line->reference()->name], 'accepted');
    }

    /** @throws Refused when a hold has lapsed, or what stands would be made one */
    private function checkHold(?SalesLine $own, ?string $until): void
    {
        if ($own === null) {
            return;
        }
        $name = $own->reference()->name;
        $own->heldUntil !== null || $until === null || throw Refused::because('promise.not_held', ['line' => $name], 'accepted');
        $own->counts(Day::parse(Settings::planDate())) || throw Refused::because(
            'promise.lapsed', ['line' => $name, 'day' => new Date((int) $own->heldUntil)], 'lapsed',
        );
    }

    private static function whom(string $order, string $customer): string
    {
        return $customer === '' ? $order : "{$order} {$customer}";
    }

    /** @throws Refused */
    private function allow(User $by): void
    {
        $by->can(Roles::PROMISE) || throw Refused::because('promise.forbidden', [], 'forbidden');
    }

    private function nextCode(): string
    {
        return DB::transaction(function (): string {
            $number = $this->lock();
            while (DB::table('sales_lines')->where('order_code', "E-{$number}")->exists()) {
                $number++;
            }
            DB::table('settings')->where('key', self::NEXT)->update(['value' => (string) ($number + 1)]);

            return "E-{$number}";
        });
    }

    private function lock(): int
    {
        DB::table('settings')->insertOrIgnore(['key' => self::NEXT, 'value' => '1001']);

        return (int) DB::table('settings')->where('key', self::NEXT)->lockForUpdate()->value('value');
    }
}
