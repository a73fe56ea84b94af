<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Reading\Shapes\Told;
use App\Support\Idempotency;
use App\Support\Journal;
use App\Support\Refused;
use App\Support\Roles;
use App\Support\Stored;
use App\Support\Words;
use App\Support\WriteTurn;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Study\MoveOrder;
use Yposta\Core\Study\ResizeOrder;
use Yposta\Core\Support\Phrase;

/**
 * Keeps what suppliers confirm beside what they were asked. The plan goes on with what was asked until somebody accepts what is confirmed.
 */
final readonly class ConfirmLines
{
    /** Codes of lines looked up at once. */
    private const AT_ONCE = 400;

    public function __construct(private CommitChanges $commit)
    {
    }

    /**
     * @param  list<array{line: string, qty: int, due: int}>  $lines  millionths and day numbers
     * @param  string  $how  hand, csv or ubl
     * @return array<string, mixed> Told
     *
     * @throws Refused when one was not sent, or is over
     */
    public function __invoke(array $lines, string $how, string $key, User $by): array
    {
        $by->can(Roles::BUY) || throw Refused::because('purchase.forbidden', [], 'forbidden');

        return Idempotency::once($key, 'confirm', $by, function () use ($lines, $how, $by): array {
            WriteTurn::take();
            $lines = array_column($lines, null, 'line');
            $open = $this->open(array_map(strval(...), array_keys($lines)));
            $other = 0;
            foreach ($lines as $code => $line) {
                $row = $open[$code];
                $due = Day::format($line['due']);
                DB::table('order_lines')->where('id', $row->id)->update([
                    'confirmed_qty' => $line['qty'], 'confirmed_due' => $due, 'confirmed_how' => $how, 'confirmed_at' => now(),
                ]);
                $other += $line['qty'] === Stored::int($row->qty) && $due === substr(Stored::text($row->due), 0, 10) ? 0 : 1;
            }
            $said = Words::say(new Phrase($other === 0 ? 'journal.purchase.confirmed' : 'journal.purchase.confirmed_otherwise', [
                'count' => count($lines), 'other' => $other, 'what' => implode(', ', array_slice(array_map(strval(...), array_keys($lines)), 0, 20)),
            ]));
            Journal::note('confirm', $said, $by);

            return get_object_vars(new Told("{$said}."));
        });
    }

    /**
     * The orders say from now on what was confirmed.
     *
     * @param  list<string>  $codes  of lines
     * @return array<string, mixed> Told
     *
     * @throws Refused when one has no confirmation, or that does not fit what has come of it
     */
    public function accept(array $codes, string $key, User $by): array
    {
        $by->can(Roles::BUY) || throw Refused::because('purchase.forbidden', [], 'forbidden');

        return Idempotency::once($key, 'accept_confirmed', $by, function () use ($codes, $by): array {
            WriteTurn::take();
            $changes = [];
            foreach ($this->open($codes) as $code => $row) {
                $row->confirmed_due !== null || throw Refused::because('purchase.not_confirmed', ['order' => (string) $code], 'stale');
                [$qty, $due] = [Stored::int($row->confirmed_qty), substr(Stored::text($row->confirmed_due), 0, 10)];
                $qty === Stored::int($row->qty) || $changes[] = new ResizeOrder((string) $code, $qty);
                $due === substr(Stored::text($row->due), 0, 10) || $changes[] = new MoveOrder((string) $code, Day::parse($due));
            }
            $said = Words::say(new Phrase('journal.purchase.accepted', ['count' => count($codes), 'what' => implode(', ', array_slice($codes, 0, 20))]));
            $changes === [] || ($this->commit)([$changes], [], $by, $said);

            return get_object_vars(new Told("{$said}."));
        });
    }

    /**
     * @param  list<string>  $codes
     * @return array<string, stdClass> by code
     */
    private function open(array $codes): array
    {
        $found = [];
        foreach (array_chunk($codes, self::AT_ONCE) as $chunk) {
            $found += DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->where('o.kind', 'buy')
                ->where('o.status', 'released')->where('l.cancelled', false)->whereIn('l.code', $chunk)->get(['l.*'])->keyBy('code')->all();
        }
        $gone = array_values(array_diff($codes, array_map(strval(...), array_keys($found))));
        $gone === [] || throw Refused::because('purchase.not_sent', ['order' => $gone[0]], 'stale');

        return $found;
    }
}
