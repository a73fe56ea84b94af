<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\User;
use App\Support\Settings;
use App\Support\Stored;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use LogicException;
use stdClass;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\RowDifference;
use Yposta\Core\Network\Stock;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\MovesStock;
use Yposta\Core\Study\PostingKind;
use Yposta\Core\Study\StockPosting;
use Yposta\Core\Study\StockRows;

/** The only one that writes movements. Nothing of them is changed or taken away; what was wrong gets a counter-entry. */
final readonly class Ledger
{
    private const ROWS_AT_ONCE = 400;

    /** What tells the blocked stock of a point from the other. */
    private const BLOCKED = "\x1fblocked";

    /**
     * Books what changes move. Call within the transaction that writes them.
     *
     * @param  list<Change>  $changes
     * @param  Network  $before  that they were applied to
     * @param  Network  $after  that came of them
     *
     * @throws LogicException when stock is another though no change says why
     */
    public function book(array $changes, Network $before, Network $after, int $commit, User $by, Booking $booking = new Booking): void
    {
        $postings = [];
        $network = $before;
        foreach (array_filter($changes, fn (Change $change) => $change instanceof MovesStock) === [] ? [] : $changes as $change) {
            $change instanceof MovesStock && array_push($postings, ...$change->postings($network));
            $network = $change->apply($network);
        }
        $this->agree($postings, $before, $after);
        $rows = array_map(fn (StockPosting $posting, int $place) => [
            ...self::row($posting, $booking), 'below_zero' => $posting->qty < 0 && StockRows::owed($after, $posting->item, $posting->site) > 0,
            'commit_id' => $commit, 'counter_of' => $booking->counters[$place] ?? null, 'user_id' => $by->id,
        ], $postings, array_keys($postings));
        self::insert($rows);
    }

    /** Books what the stock is apart from the sum of its movements, as after data have come from elsewhere. */
    public function settle(?User $by): void
    {
        $booking = new Booking;
        $rows = [];
        foreach (self::differences()->cursor() as $row) {
            $moved = Stored::int($row->stock) - Stored::int($row->booked);
            $posting = new StockPosting(
                PostingKind::Import, Stored::text($row->item_code), Stored::text($row->site_code), $moved,
                blocked: Stored::int($row->blocked) === 1,
            );
            $rows[] = [
                ...self::row($posting, $booking),
                'below_zero' => false, 'commit_id' => null, 'counter_of' => null, 'user_id' => $by?->id,
            ];
        }
        self::insert($rows);
    }

    /** Points whose stock is not the sum of its movements, what is blocked by itself: item_code, site_code, blocked, stock, booked. */
    public static function differences(): Builder
    {
        $at = ['item_code', 'site_code'];
        $all = DB::table('stock')->select([...$at, DB::raw('0 as blocked'), DB::raw('qty - owed as stock'), DB::raw('0 as booked')])
            ->unionAll(DB::table('stock')->select([...$at, DB::raw('1 as blocked'), DB::raw('blocked as stock'), DB::raw('0 as booked')]))
            ->unionAll(DB::table('movements')->select([
                ...$at, DB::raw('case when blocked then 1 else 0 end as blocked'), DB::raw('0 as stock'), DB::raw('qty as booked'),
            ]));

        return DB::query()->fromSub($all, 'both')->groupBy('item_code', 'site_code', 'blocked')->orderBy('item_code')->orderBy('site_code')
            ->select([...$at, 'blocked', DB::raw('sum(stock) as stock'), DB::raw('sum(booked) as booked')])
            ->havingRaw('sum(stock) <> sum(booked)');
    }

    /**
     * The movements of a commit that have no counter-entry yet, the last first: what takes the commit back takes them back so.
     *
     * @param  list<Change>  $inverse
     * @return array<int, int> by the place among the postings of the inverse changes
     */
    public static function countersOf(int $commit, array $inverse, Network $before): array
    {
        $open = DB::table('movements as m')->where('m.commit_id', $commit)->orderByDesc('m.id')
            ->whereNotExists(fn (Builder $query) => $query->from('movements as c')->whereColumn('c.counter_of', 'm.id'))->get()->all();
        $counters = [];
        $place = 0;
        foreach ($inverse as $change) {
            foreach ($change instanceof MovesStock ? $change->postings($before) : [] as $posting) {
                foreach ($open as $key => $row) {
                    if (self::isCounter($row, $posting)) {
                        $counters[$place] = Stored::int($row->id);
                        unset($open[$key]);
                        break;
                    }
                }
                $place++;
            }
            $before = $change->apply($before);
        }

        return $counters;
    }

    private static function isCounter(stdClass $row, StockPosting $posting): bool
    {
        return [$row->item_code, $row->site_code, Stored::int($row->qty), (bool) $row->blocked]
            === [$posting->item, $posting->site, -$posting->qty, $posting->blocked];
    }

    /** @return array<string, mixed> */
    private static function row(StockPosting $posting, Booking $booking): array
    {
        return [
            'kind' => $posting->kind->value, 'item_code' => $posting->item, 'site_code' => $posting->site, 'qty' => $posting->qty,
            'document' => $posting->document, 'order_code' => Reference::tryParse($posting->document)?->orders()[0] ?? null,
            'blocked' => $posting->blocked, 'reason' => $booking->reason, 'day' => $booking->day ?? Settings::planDate(), 'created_at' => now(),
        ];
    }

    /** @param  list<array<string, mixed>>  $rows */
    private static function insert(array $rows): void
    {
        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            DB::table('movements')->insert($chunk);
        }
    }

    /** @param  list<StockPosting>  $postings */
    private function agree(array $postings, Network $before, Network $after): void
    {
        $sums = [];
        foreach ($postings as $posting) {
            $key = Network::key($posting->item, $posting->site).($posting->blocked ? self::BLOCKED : '');
            $sums[$key] = ($sums[$key] ?? 0) + $posting->qty;
        }
        $moved = [];
        $keyOf = fn (Stock $row) => Network::key($row->item, $row->site);
        foreach (RowDifference::of($before->stock, $after->stock, $keyOf) as $key => [$old, $new]) {
            $moved[$key] = ($new?->net() ?? 0) - ($old?->net() ?? 0);
            $moved[$key.self::BLOCKED] = ($new->blocked ?? 0) - ($old->blocked ?? 0);
        }
        array_filter($sums) == array_filter($moved) || throw new LogicException('stock was moved without a posting');
    }
}
