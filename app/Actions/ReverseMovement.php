<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\Booking;
use App\Planning\LiveNetwork;
use App\Planning\OrderTables;
use App\Support\Refused;
use App\Support\Stored;
use App\Support\Words;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeStock;
use Yposta\Core\Study\IssuePart;
use Yposta\Core\Study\PostingKind;
use Yposta\Core\Study\ReceiveOrder;
use Yposta\Core\Study\ReturnPart;
use Yposta\Core\Study\ReverseReceipt;
use Yposta\Core\Study\ShipLine;
use Yposta\Core\Study\StockRows;
use Yposta\Core\Study\TakeBackLine;
use Yposta\Core\Support\Phrase;

/** Takes a movement back by a counter-entry, once. */
final readonly class ReverseMovement
{
    public function __construct(private PostStock $post, private LiveNetwork $data)
    {
    }

    /**
     * @return array<string, mixed> Posted
     *
     * @throws Refused when it was taken back before, is a counter-entry itself, or cannot be taken back any more
     */
    public function __invoke(int $id, string $reason, string $key, User $by): array
    {
        return ($this->post)('reverse', null, $key, $by, function () use ($id, $reason): array {
            $row = DB::table('movements')->where('id', $id)->lockForUpdate()->first() ?? throw Refused::because('stock.no_movement', [], 'gone');
            $row->counter_of === null && DB::table('movements')->where('counter_of', $id)->doesntExist()
                || throw Refused::because('stock.reversed', [], 'reversed');
            $row->order_code === null || OrderTables::reopen([Stored::text($row->order_code)]);
            $this->data->forget();
            $network = $this->data->read();
            $change = $this->counter($row, $network);
            $said = new Phrase('journal.stock.reversed', [
                'item' => Stored::text($row->item_code), 'qty' => new Amount(abs(Stored::int($row->qty)), $network->items[$row->item_code]->unit ?? ''),
                'document' => Reference::tryParse(Stored::text($row->document))->name ?? '',
            ]);

            return [[$change], Words::say($said), new Booking($reason, null, [$id])];
        });
    }

    private function counter(stdClass $row, Network $network): Change
    {
        $qty = Stored::int($row->qty);
        $reference = Reference::tryParse(Stored::text($row->document));
        $order = Stored::text($row->order_code ?? '');
        $line = substr($reference->name ?? '', strlen($order) + 1);

        return match (PostingKind::from(Stored::text($row->kind))) {
            PostingKind::Receipt => $qty > 0 ? new ReverseReceipt($order, $qty) : new ReceiveOrder($order, -$qty, true),
            PostingKind::Issue => $qty < 0 ? new ReturnPart($order, $line, -$qty) : new IssuePart($order, $line, $qty, true),
            PostingKind::Shipment => $this->counterOfShipment($reference->name ?? '', $qty),
            PostingKind::Count => new ChangeStock(
                Stored::text($row->item_code), Stored::text($row->site_code),
                (StockRows::of($network, Stored::text($row->item_code), Stored::text($row->site_code)) ?? 0) - $qty,
            ),
            PostingKind::Transfer, PostingKind::Import => throw Refused::because('stock.stays', [], 'kind'),
        };
    }

    private function counterOfShipment(string $name, int $qty): Change
    {
        $cut = (int) strrpos($name, '/');
        [$order, $line] = [substr($name, 0, $cut), substr($name, $cut + 1)];

        return $qty < 0 ? new TakeBackLine($order, $line, -$qty) : new ShipLine($order, $line, $qty);
    }
}
