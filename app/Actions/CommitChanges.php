<?php

declare(strict_types=1);

namespace App\Actions;

use App\Documents\OrderVersions;
use App\Models\User;
use App\Planning\Booking;
use App\Planning\ChangeWriter;
use App\Planning\DraftCheck;
use App\Planning\History;
use App\Planning\KeptNames;
use App\Planning\Ledger;
use App\Planning\LiveNetwork;
use App\Planning\NewCodes;
use App\Planning\OrderCodes;
use App\Planning\OrderHeads;
use App\Planning\RowFingerprints;
use App\Planning\RunProposals;
use App\Reading\ChangeSentences;
use App\Support\Journal;
use App\Support\OrderNumbers;
use App\Support\Refused;
use App\Support\Settings;
use App\Support\Words;
use App\Support\WriteTurn;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeCodec;
use Yposta\Core\Study\Changes;
use Yposta\Core\Study\OrderRows;
use Yposta\Core\Study\ProposalOrigin;
use Yposta\Core\Study\PutOrder;
use Yposta\Core\Support\Phrase;

/**
 * Writes a list of changes into the live data, all or none, with what takes them back: drafts, messages, holds and conversions all go this
 * way. Call within a transaction.
 */
final readonly class CommitChanges
{
    /** @param  Network|null  $ground  what it is written on, where that is known to be all that the changes have to do with; null for all data */
    public function __construct(
        private LiveNetwork $data,
        private ChangeWriter $writer,
        private Ledger $ledger,
        private ?Network $ground = null,
    ) {
    }

    /** The same for changes that have to do with a part of the data only, read in the transaction that writes. */
    public function on(Network $ground): self
    {
        return new self($this->data, $this->writer, $this->ledger, $ground);
    }

    /**
     * @param  list<list<Change>>  $lines
     * @param  array<int, array<string, string>>  $seen  what the rows of a line looked like, see {@see RowFingerprints}; lines without
     *    are not compared
     * @param  string|null  $said  what they are together, in words; each is said by itself without
     * @param  string|null  $covering  a permission that stands for those that the changes take by themselves: what they are was worked out
     *    here, and is what that permission is for
     * @param  Booking  $booking  what the ledger is told, where stock moves
     * @param  bool  $asRequests  whether new purchases are asked of purchasing, each by itself, and no orders yet
     * @return array{commit: int, sentences: list<string>, orders: list<string>} what was written, and the codes of new orders
     *
     * @throws Refused when a line does not fit, was overtaken or is not the person's to write; `lines` says which
     */
    public function __invoke(
        array $lines,
        array $seen,
        User $by,
        ?string $said = null,
        ?string $covering = null,
        Booking $booking = new Booking,
        bool $asRequests = false,
    ): array {
        WriteTurn::take();
        $before = $this->ground ?? $this->data->read();
        $this->check($lines, $seen, $before, $by, $covering);
        $made = array_keys(NewCodes::made(array_merge(...$lines)));
        [$changes, $codes] = $this->numbered(array_merge(...$lines), $before, $asRequests);
        $list = new Changes($changes);
        $after = $this->writtenOut($list->apply($before), array_values($codes));
        KeptNames::check($before, $after);
        OrderHeads::check($before, $after, array_values($codes));
        $inverse = $list->inverse($before);
        $this->writer->write($before, $after, $this->origins($changes), $by);
        $sentences = $said !== null ? [$said] : (new ChangeSentences(Day::parse(Settings::planDate()), $after, $before))->all($changes);
        $commit = (int) DB::table('commits')->insertGetId([
            'user_id' => $by->id, 'sentences' => json_encode($sentences, JSON_THROW_ON_ERROR), 'changes' => $this->json($changes),
            'inverse' => $this->json($inverse),
            'touched' => json_encode(RowFingerprints::by([...$changes, ...$inverse], $after), JSON_THROW_ON_ERROR), 'created_at' => now(),
        ]);
        History::keep($commit, $changes, $sentences);
        OrderVersions::keepUp($changes, $by);
        $this->ledger->book($changes, $before, $after, $commit, $by, $booking);
        Journal::write(
            'commit',
            count($sentences) === 1
                ? $sentences[0]
                : Words::say(new Phrase('journal.changes', ['count' => count($sentences), 'what' => implode('; ', $sentences)])),
            $by, null, ['commit' => $commit],
        );
        $this->data->forget();

        return ['commit' => $commit, 'sentences' => $sentences, 'orders' => array_map(fn (string $code) => $codes[$code], $made)];
    }

    /**
     * @param  list<list<Change>>  $lines
     * @param  array<int, array<string, string>>  $seen
     */
    private function check(array $lines, array $seen, Network $network, User $by, ?string $covering): void
    {
        $troubles = [];
        foreach (DraftCheck::of($lines, $seen, $network, $by, covering: $covering) as $place => $check) {
            $trouble = match (true) {
                $check->moved !== [] => new Phrase('refused.commit.moved', ['names' => $check->movedNames()]),
                ! $check->may => new Phrase('refused.commit.forbidden'),
                default => $check->trouble,
            };
            $trouble === null || $troubles[$place] = $trouble;
        }
        $taken = RunProposals::converted(array_values($this->origins(array_merge(...$lines))))->first();
        if ($taken !== null) {
            throw Refused::because(
                'convert.converted',
                ['number' => (string) $taken->proposal, 'order' => (string) $taken->order, 'by' => (string) $taken->by],
                'converted', ['number' => (int) $taken->proposal, 'order' => $taken->order],
            );
        }
        if ($troubles !== []) {
            throw Refused::because(
                'commit.unfit', ['trouble' => array_values($troubles)[0]], 'fit',
                ['lines' => array_map(Words::say(...), $troubles)],
            );
        }
    }

    /**
     * The changes with the codes that new orders get: purchases from one supplier for one site share an order.
     *
     * @param  list<Change>  $changes
     * @return array{list<Change>, array<string, string>} and the codes by those that they had
     */
    private function numbered(array $changes, Network $network, bool $asRequests): array
    {
        $groups = [];
        foreach (NewCodes::made($changes) as $code => $maker) {
            $put = $maker instanceof PutOrder ? $maker->order : null;
            $kind = $put->kind ?? ($maker instanceof PutOrder ? OrderKind::Make : $network->orders[$maker->order]->kind ?? OrderKind::Make);
            $isRequest = $asRequests && $kind === OrderKind::Buy;
            $shared = $put === null || $isRequest ? $code : OrderCodes::together($kind, $put->supplier, $put->site) ?? $code;
            $groups[$isRequest ? 'request' : $kind->value][$shared][$code] = $put === null ? [0, ''] : [$put->due, $put->item];
        }
        $codes = [];
        $numbers = OrderNumbers::next(array_map(count(...), $groups));
        foreach ($groups as $kind => $orders) {
            foreach (array_values($orders) as $place => $lines) {
                uasort($lines, fn (array $a, array $b) => $a[0] <=> $b[0] ?: strcmp($a[1], $b[1]));
                foreach (array_keys($lines) as $number => $code) {
                    $codes[$code] = OrderCodes::line($numbers[$kind][$place], $number + 1, count($lines));
                }
            }
        }

        return [NewCodes::renamed($changes, $codes), $codes];
    }

    /**
     * New production orders that left their components to the structure get them written out.
     *
     * @param  list<string>  $codes  of new orders
     */
    private function writtenOut(Network $after, array $codes): Network
    {
        $rows = [];
        foreach ($codes as $code) {
            if (isset($after->orders[$code]) && OrderRows::own($after, $code) === []) {
                array_push($rows, ...OrderRows::of($after, $code));
            }
        }

        return $rows === [] ? $after : $after->with(components: [...$after->components, ...$rows]);
    }

    /**
     * @param  list<Change>  $changes
     * @return array<string, ProposalOrigin> of orders made of proposals, by code
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

    /** @param  list<Change>  $changes */
    private function json(array $changes): string
    {
        return json_encode(array_map(ChangeCodec::encode(...), $changes), JSON_THROW_ON_ERROR);
    }
}
