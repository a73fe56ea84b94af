<?php

declare(strict_types=1);

namespace Yposta\Core\Study;

use Yposta\Core\Declaration\RowsOf;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\Stock;

/**
 * Gives many items another stock at once, as a count of many has found it. What is blocked stays so, what was owed is made good for, and
 * what is held of more than there is then is held no more.
 */
final readonly class CountRows implements MovesStock
{
    /**
     * @param  list<Stock>  $rows  each point once; what they say of blocked stock is not looked at
     * @param  list<Stock>  $gone  of points that were never counted, where it takes a count back
     */
    public function __construct(#[RowsOf(Stock::class)] public array $rows, #[RowsOf(Stock::class)] public array $gone = [])
    {
    }

    public function apply(Network $network): Network
    {
        $new = $gone = [];
        foreach ($this->rows as $row) {
            isset($network->items[$row->item], $network->sites[$row->site])
                || throw DoesNotFit::because('no_point', ['item' => $row->item, 'site' => $row->site]);
            $row->qty >= 0 || throw DoesNotFit::because('stock_below_zero');
            $new[Network::key($row->item, $row->site)] = $row;
        }
        foreach ($this->gone as $row) {
            $gone[Network::key($row->item, $row->site)] = true;
        }
        $stock = $less = [];
        foreach ($network->stock as $old) {
            $key = Network::key($old->item, $old->site);
            $row = $new[$key] ?? null;
            $row !== null && $row->qty < $old->qty && $less[] = $old;
            isset($gone[$key]) || $stock[] = $row === null ? $old : $old->with(qty: $row->qty, owed: $row->owed);
            unset($new[$key]);
        }
        foreach ($new as $row) {
            $stock[] = $row->with(blocked: 0);
        }
        $network = $network->with(stock: $stock);
        foreach ($less as $row) {
            $network = StockRows::trimHolds($network, $row->item, $row->site);
        }

        return $network;
    }

    public function inverse(Network $before): array
    {
        $known = $this->known($before);
        $rows = array_values(array_intersect_key($known, $this->keys()));
        $gone = array_values(array_filter($this->rows, fn (Stock $row) => ! isset($known[Network::key($row->item, $row->site)])));

        return [new self($rows, $gone), ...StockRows::holdsBack($before, $this->apply($before))];
    }

    public function postings(Network $before): array
    {
        $known = $this->known($before);
        $postings = [];
        foreach ([...$this->rows, ...array_map(fn (Stock $row) => $row->with(qty: 0, owed: 0), $this->gone)] as $row) {
            $moved = $row->net() - (isset($known[$key = Network::key($row->item, $row->site)]) ? $known[$key]->net() : 0);
            $moved === 0 || $postings[] = new StockPosting(PostingKind::Count, $row->item, $row->site, $moved);
        }

        return $postings;
    }

    /** @return array<string, Stock> by point */
    private function known(Network $network): array
    {
        $known = [];
        foreach ($network->stock as $row) {
            $known[Network::key($row->item, $row->site)] = $row;
        }

        return $known;
    }

    /** @return array<string, true> */
    private function keys(): array
    {
        $keys = [];
        foreach ($this->rows as $row) {
            $keys[Network::key($row->item, $row->site)] = true;
        }

        return $keys;
    }
}
