<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Outgoing\Outbox;
use App\Reading\ChaseList;
use App\Reading\Shapes\ChaseRow;
use App\Reading\Shapes\Told;
use App\Support\Idempotency;
use App\Support\Journal;
use App\Support\Refused;
use App\Support\Roles;
use App\Support\Settings;
use App\Support\Stored;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Support\Phrase;

/** Writes to suppliers about what they owe: one letter for each, with all of his lines in it. */
final class ChaseSuppliers
{
    /**
     * @param  list<string>  $lines  codes, as they stand in the list of what is chased
     * @return array<string, mixed> Told
     *
     * @throws Refused when one is not in the list any more, or a supplier has no address
     */
    public function __invoke(array $lines, string $key, User $by): array
    {
        $by->can(Roles::BUY) || throw Refused::because('purchase.forbidden', [], 'forbidden');
        $letters = [];
        $told = Idempotency::once($key, 'chase', $by, function () use ($lines, $by, &$letters): array {
            $today = Day::parse(Settings::planDate());
            $rows = (new ChaseList($today))->of(array_values(array_unique($lines)));
            $gone = array_values(array_diff($lines, array_map(fn (ChaseRow $row) => $row->code, $rows)));
            $gone === [] || throw Refused::because('purchase.not_chased', ['order' => $gone[0]], 'stale');
            $bySupplier = [];
            foreach ($rows as $row) {
                $bySupplier[$row->supplierCode][] = $row;
            }
            foreach ($bySupplier as $code => $own) {
                $supplier = DB::table('suppliers')->where('code', $code)->first(['name', 'email', 'contact']);
                $email = Stored::text($supplier->email ?? '');
                $email === '' && throw Refused::because('purchase.no_mail', ['supplier' => $own[0]->supplier], 'address');
                $values = [
                    'contact' => Stored::text($supplier->contact ?? ''), 'company' => Settings::company()['name'], 'by' => $by->name,
                    'lines' => implode("\n", array_map(fn (ChaseRow $row) => $this->line($row, $today), $own)),
                ];
                $letters[] = Outbox::put(
                    ['kind' => 'chase', 'supplier' => (string) $code], $email, (string) trans('letters.chase.subject', $values),
                    (string) trans('letters.chase.body', $values), [], $by,
                );
            }
            $said = Words::say(new Phrase('journal.purchase.chased', ['count' => count($letters), 'lines' => count($rows)]));
            Journal::note('chase', $said, $by);

            return get_object_vars(new Told("{$said}."));
        });
        foreach ($letters as $letter) {
            Outbox::send($letter);
        }

        return $told;
    }

    private function line(ChaseRow $row, int $today): string
    {
        $why = implode(', ', array_map(fn ($reason) => (string) trans("letters.chase.{$reason->value}"), $row->reasons));

        return (string) trans('letters.chase.line', [
            'order' => $row->order, 'number' => $row->number, 'item' => $row->theirs === '' ? $row->item : $row->theirs, 'name' => $row->name,
            'qty' => Words::quantity($row->millionths, $row->unit), 'due' => Words::day(Day::parse($row->due), $today), 'why' => $why,
        ]);
    }
}
