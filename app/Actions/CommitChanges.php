<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\ChangeWriter;
use App\Planning\LinesCheck;
use App\Planning\NetworkReader;
use App\Planning\NewCodes;
use App\Planning\Read\SayChange;
use App\Planning\Touched;
use App\Support\Journal;
use App\Support\OrderNumbers;
use App\Support\Settings;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\PutOrder;

/** Writes a list of changes into the live data, all or none, with what takes them back. Call within a transaction. */
final readonly class CommitChanges
{
    public function __construct(private NetworkReader $reader, private ChangeWriter $writer, private TakeProposals $conversions)
    {
    }

    /**
     * @param  list<list<Change>>  $lines
     * @param  array<int, array<string, string>>  $seen  what the rows of a line looked like, see {@see Touched}; lines without are not compared
     * @return array{commit: int, sentences: list<string>, orders: list<string>} what was written, and the codes of new orders
     *
     * @throws Refused when a line does not fit, was overtaken or is not the person's to write; `lines` says which
     */
    public function __invoke(array $lines, array $seen, User $by): array
    {
        $before = $this->reader->read();
        $this->check($lines, $seen, $before, $by);
        [$changes, $orders] = $this->numbered($lines, $before);
        $list = new Changes($changes);
        $after = $list->apply($before);
        $inverse = $list->inverse($before);
        $say = new SayChange(Day::parse(Settings::planDate()));
        $sentences = array_map(fn (Change $change) => $say->sentence(ChangeCodec::encode($change)), $changes);
        $this->writer->write($before, $after, $by);
        $this->conversions->take(array_values(array_filter($changes, fn (Change $change) => $change instanceof PutOrder)), $by);
        $written = $this->reader->read();
        $commit = (int) DB::table('commits')->insertGetId([
            'user_id' => $by->id, 'sentences' => json_encode($sentences, JSON_THROW_ON_ERROR), 'changes' => $this->json($changes), 'inverse' => $this->json($inverse),
            'touched' => json_encode(Touched::by([...$changes, ...$inverse], $written), JSON_THROW_ON_ERROR), 'created_at' => now(),
        ]);
        Journal::write('commit', count($sentences) === 1 ? $sentences[0] : count($sentences).' changes: '.implode('; ', $sentences), $by, null, ['commit' => $commit]);

        return ['commit' => $commit, 'sentences' => $sentences, 'orders' => $orders];
    }

    /**
     * @param  list<list<Change>>  $lines
     * @param  array<int, array<string, string>>  $seen
     */
    private function check(array $lines, array $seen, Network $network, User $by): void
    {
        $troubles = [];
        foreach (LinesCheck::of($lines, $seen, $network, $by) as $place => $check) {
            $trouble = match (true) {
                $check->moved !== [] => "{$check->movedNames()} has been changed meanwhile",
                ! $check->may => 'this is not yours to write',
                default => $check->trouble,
            };
            $trouble === null || $troubles[$place] = $trouble;
        }
        if ($troubles !== []) {
            throw new Refused(ucfirst(array_values($troubles)[0]).'. Nothing was written.', 'fit', ['lines' => $troubles]);
        }
    }

    /**
     * The changes with the codes that new orders get.
     *
     * @param  list<list<Change>>  $lines
     * @return array{list<Change>, list<string>}
     */
    private function numbered(array $lines, Network $network): array
    {
        $changes = array_merge(...$lines);
        $codes = $purchases = [];
        foreach (NewCodes::made($changes) as $code => $maker) {
            if ($maker instanceof PutOrder && $maker->kind === OrderKind::Buy->value && $maker->supplier !== null) {
                $purchases["{$maker->supplier}\x1f{$maker->site}"][] = $code;
            } else {
                $codes[$code] = OrderNumbers::next($maker instanceof PutOrder ? $maker->kind : ($network->orders[$maker->order]->kind->value ?? 'make'));
            }
        }
        foreach ($purchases as $lines) { // one purchase order for each supplier and site
            $order = OrderNumbers::next(OrderKind::Buy->value);
            foreach ($lines as $place => $code) {
                $codes[$code] = count($lines) === 1 ? $order : "{$order}.".($place + 1);
            }
        }

        return [NewCodes::renamed($changes, $codes), array_values($codes)];
    }

    /** @param  list<Change>  $changes */
    private function json(array $changes): string
    {
        return json_encode(array_map(ChangeCodec::encode(...), $changes), JSON_THROW_ON_ERROR);
    }
}
