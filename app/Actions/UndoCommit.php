<?php

declare(strict_types=1);

namespace App\Actions;

use App\Documents\OrderVersions;
use App\Models\User;
use App\Planning\Booking;
use App\Planning\ChangeWriter;
use App\Planning\DraftCheck;
use App\Planning\KeptNames;
use App\Planning\Ledger;
use App\Planning\LiveNetwork;
use App\Planning\OrderTables;
use App\Reading\Shapes\Told;
use App\Support\Idempotency;
use App\Support\Journal;
use App\Support\Refused;
use App\Support\Stored;
use App\Support\Words;
use App\Support\WriteTurn;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Study\BringOrders;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\OfOrder;
use Yposta\Core\Study\ProposalOrigin;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Study\ReleaseOrder;
use Yposta\Core\Study\RemoveOrder;
use Yposta\Core\Support\Phrase;

/** Takes back what was committed, as a whole, as long as nothing of it has moved on since. */
final readonly class UndoCommit
{
    public function __construct(private LiveNetwork $data, private ChangeWriter $writer, private Ledger $ledger)
    {
    }

    /**
     * @return array<string, mixed> Told
     *
     * @throws Refused when it was undone already, or an order was started, sent or changed since
     */
    public function __invoke(int $id, string $key, User $by): array
    {
        return Idempotency::once($key, 'undo', $by, function () use ($id, $by): array {
            WriteTurn::take();
            $commit = DB::table('commits')->where('id', $id)->lockForUpdate()->first() ?? throw Refused::because('undo.none');
            if ($commit->undone_at !== null) {
                throw Refused::because('undo.done', [], 'undone');
            }
            $inverse = array_map(
                ChangeCodec::decode(...),
                array_values((array) json_decode($commit->inverse, true, 512, JSON_THROW_ON_ERROR)),
            );
            $gone = [];
            foreach ($inverse as $change) {
                if ($change instanceof ReleaseOrder) {
                    throw Refused::because('undo.started', ['order' => $change->order], 'moved');
                }
                $change instanceof RemoveOrder && $gone[] = $change->order;
            }
            $bought = DB::table('purchase_requests')->whereIn('line_code', $gone)->whereNotNull('ordered_at')->value('line_code');
            $bought === null || throw Refused::because('undo.bought', ['order' => Stored::text($bought)], 'moved');
            $this->reopen($inverse);
            $before = $this->data->read();
            [$check] = DraftCheck::of(
                [$inverse], [(array) json_decode((string) $commit->touched, true, 512, JSON_THROW_ON_ERROR)], $before, $by, true,
            );
            if ($check->moved !== []) {
                throw Refused::because('undo.moved', ['names' => $check->movedNames()], 'moved');
            }
            if (! $check->may) {
                throw Refused::because('undo.forbidden', [], 'forbidden');
            }
            if ($check->trouble !== null) {
                throw Refused::because('undo.unfit', ['trouble' => $check->trouble], 'fit');
            }
            $after = (new Changes($inverse))->apply($before);
            KeptNames::check($before, $after);
            $this->writer->write($before, $after, $this->origins($inverse), $by);
            OrderVersions::keepUp($inverse, $by);
            $this->ledger->book($inverse, $before, $after, $id, $by, new Booking(counters: Ledger::countersOf($id, $inverse, $before)));
            $this->data->forget();
            DB::table('commits')->where('id', $id)->update(['undone_at' => now(), 'undone_by' => $by->id]);
            $sentences = (array) json_decode($commit->sentences, true, 512, JSON_THROW_ON_ERROR);
            Journal::write(
                'undo',
                Words::say(new Phrase('journal.undone.what', ['what' => implode('; ', array_map(strval(...), $sentences))])), $by,
                null, ['commit' => $id],
            );

            return get_object_vars(new Told(Words::say(new Phrase(
                count($sentences) === 1 ? 'journal.undone.one' : 'journal.undone.many',
                ['count' => count($sentences)],
            ))));
        });
    }

    /** @param  list<Change>  $changes */
    private function reopen(array $changes): void
    {
        $codes = [];
        foreach ($changes as $change) {
            $change instanceof OfOrder && $codes[] = $change->orderCode();
            $change instanceof BringOrders && array_push($codes, ...$change->orders());
        }
        OrderTables::reopen($codes);
        $this->data->forget();
    }

    /**
     * Orders that come back are again what was made of their proposals.
     *
     * @param  list<Change>  $changes
     * @return array<string, ProposalOrigin> by code
     */
    private function origins(array $changes): array
    {
        $origins = [];
        foreach ($changes as $change) {
            if ($change instanceof PutOrder && $change->from !== null) {
                $origins[$change->orderCode()] = $change->from;
            }
        }

        return $origins;
    }
}
