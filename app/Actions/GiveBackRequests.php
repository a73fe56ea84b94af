<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\PurchaseTables;
use App\Reading\Shapes\Told;
use App\Support\Idempotency;
use App\Support\Refused;
use App\Support\Roles;
use App\Support\Words;
use App\Support\WriteTurn;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Study\CancelOrder;
use Yposta\Core\Support\Phrase;

/** Gives requests back to who plans: nothing is bought, what they were made of is needed again, and the reason stands there. */
final readonly class GiveBackRequests
{
    public function __construct(private CommitChanges $commit)
    {
    }

    /**
     * @param  list<string>  $lines  codes of requests
     * @return array<string, mixed> Told
     *
     * @throws Refused without a reason, or when one is no open request any more
     */
    public function __invoke(array $lines, string $reason, string $key, User $by): array
    {
        $by->can(Roles::BUY) || throw Refused::because('purchase.forbidden', [], 'forbidden');
        $reason === '' && throw Refused::because('purchase.reason', [], 'reason');

        return Idempotency::once($key, 'give_back', $by, function () use ($lines, $reason, $by): array {
            WriteTurn::take();
            $lines = array_values(array_unique($lines));
            $open = PurchaseTables::open()->whereIn('l.code', $lines)->pluck('l.code')->all();
            $gone = array_values(array_diff($lines, $open));
            $gone === [] || throw Refused::because('purchase.no_request', ['order' => $gone[0]], 'stale');
            $said = Words::say(new Phrase('journal.purchase.given_back', [
                'count' => count($lines), 'what' => implode(', ', $lines), 'reason' => $reason,
            ]));
            ($this->commit)([array_map(fn (string $line) => new CancelOrder($line), $lines)], [], $by, $said);
            DB::table('purchase_requests')->whereIn('line_code', $lines)->whereNull('returned_at')
                ->update(['returned_at' => now(), 'reason' => $reason, 'handled_by' => $by->id]);

            return get_object_vars(new Told("{$said}."));
        });
    }
}
