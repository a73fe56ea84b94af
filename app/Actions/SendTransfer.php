<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\Booking;
use App\Planning\LiveNetwork;
use App\Support\Refused;
use App\Support\Words;
use Yposta\Core\Network\OrderKind;
use Yposta\Core\Network\OrderStatus;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Study\ReleaseOrder;
use Yposta\Core\Support\Phrase;

/** Sends what a transfer order moves: it leaves the stock of where it comes from, and is under way until it is received. */
final readonly class SendTransfer
{
    public function __construct(private PostStock $post, private LiveNetwork $data)
    {
    }

    /**
     * @param  string|null  $day  ISO date on which it left; null for today
     * @return array<string, mixed> Posted
     *
     * @throws Refused when it is no transfer, was sent already, or there is not so much
     */
    public function __invoke(string $order, ?string $day, string $note, string $key, User $by): array
    {
        return ($this->post)('send', $day, $key, $by, function () use ($order, $day, $note): array {
            $network = $this->data->read();
            $own = $network->orders[$order] ?? null;
            $own !== null && $own->kind === OrderKind::Transfer && $own->status === OrderStatus::Firm
                || throw Refused::because('stock.not_to_send', ['order' => $order], 'over');
            $said = Words::say(new Phrase('journal.stock.sent', [
                'order' => $order, 'item' => $own->item, 'qty' => new Amount($own->open(), $network->items[$own->item]->unit),
                'from' => (string) $own->fromSite, 'to' => $own->site,
            ]));

            return [[new ReleaseOrder($order)], $said, new Booking($note, $day)];
        });
    }
}
