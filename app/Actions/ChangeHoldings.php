<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\Trials\Ask;
use App\Support\Idempotency;
use App\Support\Roles;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\FreeSupply;
use Yposta\Core\Study\HoldSupply;

/** Holds supply for orders and frees it, at once. Nothing is held twice: of two people who hold the same, the second is told. */
final readonly class ChangeHoldings
{
    public function __construct(private CommitChanges $commit, private Ask $ask)
    {
    }

    /**
     * @return array<string, mixed> `message`
     *
     * @throws Refused
     */
    public function hold(string $demand, string $supply, int $qty, string $key, User $by): array
    {
        return $this->once($key, [new HoldSupply($demand, $supply, $qty)], $by);
    }

    /** @return array<string, mixed> `message` */
    public function free(string $demand, string $supply, string $key, User $by): array
    {
        return $this->once($key, [new FreeSupply($demand, $supply)], $by);
    }

    /**
     * Gives what is held for one to another, as far as that one was held.
     *
     * @return array<string, mixed> `message`
     */
    public function give(string $demand, string $supply, string $other, int $qty, string $key, User $by): array
    {
        return $this->once($key, [new FreeSupply($demand, $supply), new HoldSupply($other, $supply, $qty)], $by);
    }

    /**
     * Holds for each order what the plan gives it from stock and open orders in time.
     *
     * @param  list<string>  $references  of the orders and sales lines
     * @return array<string, mixed> `message`
     */
    public function holdFor(array $references, string $key, User $by): array
    {
        $changes = array_values(array_map(ChangeCodec::decode(...), ($this->ask)('holdable', references: $references)['changes']));

        return $changes === [] ? ['message' => 'Nothing more is there to be held for these. Nothing was changed.'] : $this->once($key, $changes, $by);
    }

    /**
     * @param  non-empty-list<Change>  $changes
     * @return array<string, mixed>
     */
    private function once(string $key, array $changes, User $by): array
    {
        if (! $by->can(Roles::HOLD)) {
            throw new Refused('You may not hold supply. Nothing was changed.', 'forbidden');
        }

        return Idempotency::once($key, 'hold', $by, function () use ($changes, $by): array {
            $written = ($this->commit)([$changes], [], $by);

            return ['message' => count($written['sentences']) === 1 ? "{$written['sentences'][0]}." : count($written['sentences']).' holds written.'];
        });
    }
}
