<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Planning\Booking;
use App\Planning\LiveNetwork;
use App\Planning\OrderTables;
use App\Support\Refused;
use App\Support\Settings;
use App\Support\Stored;
use App\Support\Words;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Network\Network;
use Yposta\Core\Quantity\Amount;
use Yposta\Core\Reference\Reference;
use Yposta\Core\Reference\ReferenceKind;
use Yposta\Core\Study\BlockStock;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\ChangeStock;
use Yposta\Core\Study\IssuePart;
use Yposta\Core\Study\IssueToJob;
use Yposta\Core\Study\PostingKind;
use Yposta\Core\Study\ReceiveOrder;
use Yposta\Core\Study\ReturnFromJob;
use Yposta\Core\Study\ReturnPart;
use Yposta\Core\Study\ReverseReceipt;
use Yposta\Core\Study\ScrapBlocked;
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
            $pair = $row->kind === PostingKind::Block->value ? $this->pair($row) : [$id];
            $said = new Phrase('journal.stock.reversed', [
                'item' => Stored::text($row->item_code), 'qty' => new Amount(abs(Stored::int($row->qty)), $network->items[$row->item_code]->unit ?? ''),
                'document' => Reference::tryParse(Stored::text($row->document))->name ?? '',
            ]);

            return [[$change], Words::say($said), new Booking($reason, null, $pair)];
        });
    }

    private function counter(stdClass $row, Network $network): Change
    {
        $qty = Stored::int($row->qty);
        $reference = Reference::tryParse(Stored::text($row->document));
        $order = Stored::text($row->order_code ?? '');
        $line = substr($reference->name ?? '', strlen($order) + 1);

        return match (PostingKind::from(Stored::text($row->kind))) {
            PostingKind::Receipt => $qty > 0
                ? new ReverseReceipt($order, $qty, (bool) $row->blocked, Settings::get(Settings::BELOW_ZERO, false) === true)
                : new ReceiveOrder($order, -$qty, true, (bool) $row->blocked),
            PostingKind::Issue => match (true) {
                $reference?->kind === ReferenceKind::Job => $this->counterOfJob($reference->name, $qty),
                $qty < 0 => new ReturnPart($order, $line, -$qty),
                default => new IssuePart($order, $line, $qty, true),
            },
            PostingKind::Shipment => $this->counterOfShipment($reference->name ?? '', $qty),
            PostingKind::Count => new ChangeStock(
                Stored::text($row->item_code), Stored::text($row->site_code),
                ...$this->countedBack($network, $row),
            ),
            PostingKind::Block => new BlockStock(
                Stored::text($row->item_code), Stored::text($row->site_code), abs($qty), ($row->blocked ? $qty : -$qty) > 0,
            ),
            PostingKind::Scrap => new ScrapBlocked(Stored::text($row->item_code), Stored::text($row->site_code), abs($qty), $qty < 0),
            PostingKind::Transfer, PostingKind::Import => throw Refused::because('stock.stays', [], 'kind'),
        };
    }

    /** @return array{int, int} what there would be without a count, and what would be owed */
    private function countedBack(Network $network, stdClass $row): array
    {
        $now = StockRows::row($network, Stored::text($row->item_code), Stored::text($row->site_code))?->net() ?? 0;
        $without = $now - Stored::int($row->qty);
        $owes = Settings::get(Settings::BELOW_ZERO, false) === true && $without < 0;

        return $owes ? [0, -$without] : [$without, 0];
    }

    /**
     * What was blocked or released moved twice: out of one stock and into the other.
     *
     * @return list<int> both movements, that of the usable stock first
     */
    private function pair(stdClass $row): array
    {
        $both = DB::table('movements')->where('commit_id', $row->commit_id)->where('kind', $row->kind)->where('item_code', $row->item_code)
            ->where('site_code', $row->site_code)->whereIn('qty', [Stored::int($row->qty), -Stored::int($row->qty)])
            ->whereNotExists(fn (Builder $query) => $query->from('movements as c')->whereColumn('c.counter_of', 'movements.id'))->orderBy('id')->get();
        $isOther = fn (stdClass $one) => (bool) $one->blocked !== (bool) $row->blocked
            && Stored::int($one->qty) + Stored::int($row->qty) === 0;
        $other = $both->first($isOther) ?? throw Refused::because('stock.reversed', [], 'reversed');
        $ids = [Stored::int($row->id), Stored::int($other->id)];

        return $row->blocked ? array_reverse($ids) : $ids;
    }

    private function counterOfJob(string $name, int $qty): Change
    {
        [$job, $line] = self::halves($name);

        return $qty < 0 ? new ReturnFromJob($job, $line, -$qty) : new IssueToJob($job, $line, $qty);
    }

    /** @return array{string, string} what stands before and after the last stroke */
    private static function halves(string $name): array
    {
        $cut = (int) strrpos($name, '/');

        return [substr($name, 0, $cut), substr($name, $cut + 1)];
    }

    private function counterOfShipment(string $name, int $qty): Change
    {
        [$order, $line] = self::halves($name);

        return $qty < 0 ? new TakeBackLine($order, $line, -$qty) : new ShipLine($order, $line, $qty);
    }
}
