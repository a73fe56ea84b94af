<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\Booking;
use App\Reading\Shapes\Posted;
use App\Support\Idempotency;
use App\Support\Refused;
use App\Support\Roles;
use App\Support\Settings;
use App\Support\WriteTurn;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Study\Change;

/** Writes what has moved, once, with who may and when it was: what all that moves stock has in common. */
final readonly class PostStock
{
    public function __construct(private CommitChanges $commit)
    {
    }

    /**
     * @param  string  $action  what it is, for {@see Idempotency}
     * @param  callable(): array{list<Change>, string, Booking}  $make  what moves, in words, and what the ledger is told; within the transaction
     * @return array<string, mixed> Posted
     *
     * @throws Refused when the person may not, the day has not come, or something does not fit; nothing is written then
     */
    public function __invoke(string $action, ?string $day, string $key, User $by, callable $make): array
    {
        $by->can(Roles::STOCK) || throw Refused::because('stock.forbidden', [], 'forbidden');
        $day === null || Day::parse($day) <= Day::parse(Settings::planDate()) || throw Refused::because('stock.not_yet', [], 'day');

        return Idempotency::once($key, $action, $by, function () use ($by, $make): array {
            WriteTurn::take();
            [$changes, $said, $booking] = $make();
            $written = ($this->commit)([$changes], [], $by, $said, Roles::STOCK, $booking);

            return get_object_vars(new Posted($said, $written['commit']));
        });
    }
}
