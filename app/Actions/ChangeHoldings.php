<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Reading\Shapes\Told;
use App\Support\Idempotency;
use App\Support\Refused;
use App\Support\Roles;
use App\Support\Words;
use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\FreeSupply;
use Yposta\Core\Study\HoldSupply;
use Yposta\Core\Support\Phrase;

/** Holds supply for orders and frees it, at once. Nothing is held twice: of two people who hold the same, the second is told. */
final readonly class ChangeHoldings
{
    public function __construct(private CommitChanges $commit, private PlanClient $plans)
    {
    }

    /**
     * @return array<string, mixed> Told
     *
     * @throws Refused
     */
    public function hold(string $demand, string $supply, int $qty, string $key, User $by): array
    {
        return $this->once($key, [new HoldSupply($demand, $supply, $qty)], $by);
    }

    /** @return array<string, mixed> Told */
    public function free(string $demand, string $supply, string $key, User $by): array
    {
        return $this->once($key, [new FreeSupply($demand, $supply)], $by);
    }

    /**
     * Gives what is held for one to another, as far as that one was held.
     *
     * @return array<string, mixed> Told
     */
    public function give(string $demand, string $supply, string $other, int $qty, string $key, User $by): array
    {
        return $this->once($key, [new FreeSupply($demand, $supply), new HoldSupply($other, $supply, $qty)], $by);
    }

    /**
     * Holds for each order what the plan gives it from stock and open orders in time.
     *
     * @param  list<string>  $references  of the orders and sales lines
     * @return array<string, mixed> Told
     */
    public function holdFor(array $references, string $key, User $by): array
    {
        $this->allow($by);
        $changes = array_values(array_map(ChangeCodec::decode(...), $this->plans->ask(PlanQuestion::Holdable, references: $references)['changes']));

        return $changes === []
            ? get_object_vars(new Told(Words::say(new Phrase('journal.nothing_to_hold'))))
            : $this->once($key, $changes, $by);
    }

    /**
     * @param  non-empty-list<Change>  $changes
     * @return array<string, mixed>
     */
    private function once(string $key, array $changes, User $by): array
    {
        $this->allow($by);

        return Idempotency::once($key, 'hold', $by, function () use ($changes, $by): array {
            $written = ($this->commit)([$changes], [], $by);

            return get_object_vars(new Told(Words::say(count($written['sentences']) === 1
                ? new Phrase('journal.sentence', ['what' => $written['sentences'][0]])
                : new Phrase('journal.held', ['count' => count($written['sentences'])]))));
        });
    }

    /** @throws Refused */
    private function allow(User $by): void
    {
        if (! $by->can(Roles::HOLD)) {
            throw Refused::because('hold.forbidden', [], 'forbidden');
        }
    }
}
