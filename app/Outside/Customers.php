<?php

declare(strict_types=1);

namespace App\Outside;

use App\Actions\CommitChanges;
use App\Actions\ShipGoods;
use App\Models\User;
use App\Planning\LiveNetwork;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Network\SalesLine;
use Yposta\Core\Quantity\Quantity;
use Yposta\Core\Study\DoesNotFit;
use Yposta\Core\Study\PutSalesLine;
use Yposta\Core\Study\ShipLine;

/** Customers get what is due and there, and order anew what they have ordered before. */
final readonly class Customers
{
    private const PREFIX = 'SO-';

    /** New lines on a day. */
    private const MOST_NEW = 2;

    public function __construct(private ShipGoods $ship, private CommitChanges $commit, private LiveNetwork $data)
    {
    }

    /** @return list<string> what happened, in words */
    public function day(int $today, Dice $chance): array
    {
        return [...$this->shipped($today), ...$this->ordered($today, $chance)];
    }

    /** @return list<string> */
    private function shipped(int $today): array
    {
        $network = $this->data->read();
        $isDue = fn (SalesLine $line) => $line->open() > 0 && $line->due <= $today && $line->heldUntil === null;
        $due = array_filter($network->sales, $isDue);
        $rank = fn (SalesLine $line) => [$line->priority, $line->due, $line->order, $line->line];
        usort($due, fn (SalesLine $a, SalesLine $b) => $rank($a) <=> $rank($b));
        $lines = [];
        foreach ($due as $line) {
            try {
                $network = (new ShipLine($line->order, $line->line, $line->open()))->apply($network);
                $lines[] = ['order' => $line->order, 'line' => $line->line, 'qty' => $line->open()];
            } catch (DoesNotFit) {
                continue; // not so much is there
            }
        }

        return $lines === [] ? [] : [Stored::text(($this->ship)($lines, null, '', Key::fresh(), User::role('stores')->firstOrFail())['message'])];
    }

    /** @return list<string> */
    private function ordered(int $today, Dice $chance): array
    {
        $known = array_values(DB::table('sales_lines as s')->join('items as i', 'i.code', '=', 's.item_code')->orderBy('s.order_code')->orderBy('s.line')
            ->get(['s.item_code', 's.site_code', 's.customer', 's.qty'])->all());
        $changes = [];
        $number = $this->last();
        for ($count = $chance->between(0, self::MOST_NEW); $count > 0 && $known !== []; $count--) {
            $like = $chance->oneOf($known);
            $changes[] = new PutSalesLine(SalesLine::of(
                order: self::PREFIX.++$number, line: '1', item: Stored::text($like->item_code), site: Stored::text($like->site_code),
                qty: $chance->between(1, max(1, intdiv(Stored::int($like->qty), Quantity::ONE))) * Quantity::ONE,
                due: $today + $chance->between(25, 70), customer: Stored::text($like->customer), priority: 5,
            ));
        }

        return $changes === [] ? [] : ($this->commit)([$changes], [], User::role('sales')->firstOrFail())['sentences'];
    }

    private function last(): int
    {
        $numbers = DB::table('sales_lines')->where('order_code', 'like', self::PREFIX.'%')->pluck('order_code')
            ->map(fn (mixed $code) => (int) substr(Stored::text($code), strlen(self::PREFIX)));

        return Stored::int($numbers->max() ?? 1000);
    }
}
