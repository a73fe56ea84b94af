<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\PurchaseTables;
use App\Reading\Shapes\Told;
use App\Support\Idempotency;
use App\Support\Journal;
use App\Support\Refused;
use App\Support\Roles;
use App\Support\Stored;
use App\Support\Words;
use App\Support\WriteTurn;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Support\Phrase;

/** Makes requests again of a purchase order that has not been sent. */
final readonly class TakeApart
{
    /**
     * @return array<string, mixed> Told
     *
     * @throws Refused when it was sent, or is none
     */
    public function __invoke(string $order, string $key, User $by): array
    {
        $by->can(Roles::BUY) || throw Refused::because('purchase.forbidden', [], 'forbidden');

        return Idempotency::once($key, 'take_apart', $by, function () use ($order, $by): array {
            WriteTurn::take();
            $id = DB::table('orders')->where('code', $order)->where('kind', 'buy')->where('status', 'firm')->where('is_request', false)
                ->whereNull('sent_at')->whereNotExists(fn (Builder $come) => $come->from('order_lines as l')->whereColumn('l.order_id', 'orders.id')
                ->where('l.received', '>', 0))->value('id') ?? throw Refused::because('purchase.not_open', ['order' => $order], 'stale');
            PurchaseTables::takeApart(Stored::int($id), $by);
            $said = Words::say(new Phrase('journal.purchase.taken_apart', ['order' => $order]));
            Journal::note('take_apart', $said, $by);

            return get_object_vars(new Told("{$said}."));
        });
    }
}
