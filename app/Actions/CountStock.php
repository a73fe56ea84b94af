<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\Booking;
use App\Planning\LiveNetwork;
use App\Support\Refused;
use App\Support\Words;
use Yposta\Core\Network\Allocation;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Study\ChangeStock;
use Yposta\Core\Study\HoldSupply;
use Yposta\Core\Study\StockRows;
use Yposta\Core\Support\Phrase;

/** Books what a count has found: the difference to what the books say. */
final readonly class CountStock
{
    public function __construct(private PostStock $post, private LiveNetwork $data)
    {
    }

    /**
     * @param  list<array{item: string, site: string, qty: int, books: int}>  $rows  millionths; `books` is what the person has seen there before
     * @param  string|null  $day  ISO date; null for today
     * @return array<string, mixed> Posted
     *
     * @throws Refused when something moved since the person looked, or nothing differs
     */
    public function __invoke(array $rows, ?string $day, string $note, string $key, User $by): array
    {
        return ($this->post)('count', $day, $key, $by, function () use ($rows, $day, $note): array {
            $network = $this->data->read();
            $changes = $said = [];
            foreach ($rows as $row) {
                $there = StockRows::of($network, $row['item'], $row['site']) ?? 0;
                $unit = $network->items[$row['item']]->unit ?? '';
                $there === $row['books'] || throw Refused::because('stock.moved_since', [
                    'item' => $row['item'], 'site' => $row['site'], 'qty' => new Amount($there, $unit),
                ], 'stale', ['item' => $row['item'], 'site' => $row['site']]);
                if ($row['qty'] !== $there) {
                    $changes[] = $change = new ChangeStock($row['item'], $row['site'], $row['qty']);
                    $held = $network->allocations;
                    $network = PostedChange::apply($change, $network);
                    $said[] = Words::say(new Phrase('journal.stock.counted', [
                        'item' => $row['item'], 'site' => $row['site'], 'qty' => new Amount($row['qty'], $unit), 'before' => new Amount($there, $unit),
                    ]));
                    array_push($said, ...self::noMoreHeld($held, $network->allocations));
                }
            }
            $changes !== [] || throw Refused::because('stock.nothing_differs', [], 'none');

            return [$changes, implode('; ', array_slice($said, 0, 20)), new Booking($note, $day)];
        });
    }

    /**
     * @param  list<Allocation>  $before
     * @param  list<Allocation>  $after
     * @return list<string> for whom less is held than before
     */
    private static function noMoreHeld(array $before, array $after): array
    {
        $left = [];
        foreach ($after as $row) {
            $left["{$row->demand}\x1f{$row->supply}"] = $row->qty;
        }
        $said = [];
        foreach ($before as $row) {
            ($left["{$row->demand}\x1f{$row->supply}"] ?? 0) < $row->qty
                && $said[] = Words::say(new Phrase('journal.stock.less_held', ['whom' => HoldSupply::named($row->demand)]));
        }

        return array_values(array_unique($said));
    }
}
