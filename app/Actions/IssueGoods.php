<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\Booking;
use App\Planning\LiveNetwork;
use App\Support\Refused;
use App\Support\Words;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Study\IssuePart;
use Yposta\Core\Study\ReturnPart;
use Yposta\Core\Support\Phrase;

/** Gives components to the order that needs them, or takes them back. More than it needs is given with a reason. */
final readonly class IssueGoods
{
    public function __construct(private PostStock $post, private LiveNetwork $data)
    {
    }

    /**
     * @param  list<array{line: string, qty: int}>  $parts  millionths; below 0 where it comes back
     * @param  bool  $more  whether it may be more than it still needs
     * @param  string|null  $day  ISO date; null for today
     * @param  bool  $sure  whether the person has seen that the books have less
     * @return array<string, mixed> Posted
     *
     * @throws Refused when there is not so much, it is held for others, or more is taken without a reason
     */
    public function __invoke(
        string $order,
        array $parts,
        bool $more,
        string $reason,
        ?string $day,
        string $key,
        User $by,
        bool $sure = false,
    ): array {
        ! $more || $reason !== '' || throw Refused::because('stock.no_reason', [], 'reason');

        return ($this->post)('issue', $day, $key, $by, function () use ($order, $parts, $more, $reason, $day, $sure): array {
            $network = $this->data->read();
            isset($network->orders[$order]) || throw Refused::because('stock.over', ['order' => $order], 'over');
            $changes = $said = [];
            foreach ($parts as $part) {
                if ($part['qty'] < 0) {
                    $change = new ReturnPart($order, $part['line'], -$part['qty']);
                    $network = PostedChange::apply($change, $network);
                } else {
                    [$change, $network] = PostedChange::take(new IssuePart($order, $part['line'], $part['qty'], $more), $network, $sure);
                }
                $row = IssuePart::part($network, $order, $part['line']);
                $changes[] = $change;
                $said[] = Words::say(new Phrase($part['qty'] < 0 ? 'journal.stock.returned' : 'journal.stock.issued', [
                    'order' => $order, 'item' => $row->item, 'qty' => new Amount(abs($part['qty']), $network->items[$row->item]->unit),
                ]));
            }

            return [$changes, implode('; ', $said), new Booking($reason, $day)];
        });
    }
}
