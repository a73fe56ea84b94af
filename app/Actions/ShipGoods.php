<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\Booking;
use App\Planning\LiveNetwork;
use App\Support\Refused;
use App\Support\Words;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Study\ShipLine;
use Yposta\Core\Support\Phrase;

/** Sends what customers ordered, in whole or in part, from stock. */
final readonly class ShipGoods
{
    public function __construct(private PostStock $post, private LiveNetwork $data)
    {
    }

    /**
     * @param  list<array{order: string, line: string, qty: int}>  $lines  millionths
     * @param  string|null  $day  ISO date; null for today
     * @param  bool  $sure  whether the person has seen that the books have less
     * @return array<string, mixed> Posted
     *
     * @throws Refused when there is not so much, or it is held for others, or nothing more was ordered
     */
    public function __invoke(array $lines, ?string $day, string $note, string $key, User $by, bool $sure = false): array
    {
        return ($this->post)('ship', $day, $key, $by, function () use ($lines, $day, $note, $sure): array {
            $network = $this->data->read();
            $changes = $said = [];
            foreach ($lines as $line) {
                $said[] = $this->said($network, $line);
                [$changes[], $network] = PostedChange::take(new ShipLine($line['order'], $line['line'], $line['qty']), $network, $sure);
            }

            return [$changes, implode('; ', $said), new Booking($note, $day)];
        });
    }

    /** @param  array{order: string, line: string, qty: int}  $line */
    private function said(Network $network, array $line): string
    {
        $found = array_filter($network->sales, fn (SalesLine $row) => $row->order === $line['order'] && $row->line === $line['line']);
        $own = reset($found);
        $item = $own === false ? '' : $own->item;

        return Words::say(new Phrase('journal.stock.shipped', [
            'line' => "{$line['order']}/{$line['line']}", 'item' => $item, 'qty' => new Amount($line['qty'], $network->items[$item]->unit ?? ''),
            'customer' => $own === false ? '' : $own->customer,
        ]));
    }
}
