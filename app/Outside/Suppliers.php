<?php

declare(strict_types=1);

namespace App\Outside;

use App\Actions\ConfirmLines;
use App\Actions\ReceiveGoods;
use App\Models\User;
use App\Support\Stored;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\Quantity;

/** Suppliers as they are: most confirm as asked, some later; most deliver on the day, some short, some not yet. */
final readonly class Suppliers
{
    private const CONFIRM = 80;

    private const CONFIRM_AS_ASKED = 92;

    private const DELIVER = 96;

    private const DELIVER_WHOLE = 95;

    public function __construct(private ConfirmLines $confirm, private ReceiveGoods $receive)
    {
    }

    /** @return list<string> what they did, in words */
    public function day(int $today, Dice $chance): array
    {
        return [...$this->confirmed($today, $chance), ...$this->delivered($today, $chance)];
    }

    /** @return list<string> */
    private function confirmed(int $today, Dice $chance): array
    {
        $lines = [];
        foreach ($this->open()->whereNull('l.confirmed_at')->get(['l.code', 'l.qty', 'l.due']) as $row) {
            if ($chance->percent(self::CONFIRM)) {
                $due = max($today, Day::parse(substr(Stored::text($row->due), 0, 10)));
                $lines[] = [
                    'line' => Stored::text($row->code), 'qty' => Stored::int($row->qty),
                    'due' => $chance->percent(self::CONFIRM_AS_ASKED) ? $due : $due + $chance->between(1, 6),
                ];
            }
        }

        return $lines === [] ? [] : [Stored::text(($this->confirm)($lines, 'ubl', Key::fresh(), $this->buyer())['message'])];
    }

    /** @return list<string> */
    private function delivered(int $today, Dice $chance): array
    {
        $lines = [];
        $due = 'coalesce(l.confirmed_due, l.due)';
        $rows = $this->open()->join('items as i', 'i.code', '=', 'l.item_code')->whereRaw("{$due} <= ?", [Day::format($today)])
            ->get(['l.code', 'l.qty', 'l.received', 'i.decimals']);
        foreach ($rows as $row) {
            if (! $chance->percent(self::DELIVER)) {
                continue;
            }
            $open = Stored::int($row->qty) - Stored::int($row->received);
            $step = Quantity::ONE / 10 ** Stored::int($row->decimals);
            $part = intdiv(intdiv($open, (int) $step), 2) * (int) $step;
            $lines[] = [
                'order' => Stored::text($row->code), 'item' => '', 'qty' => $part > 0 && ! $chance->percent(self::DELIVER_WHOLE) ? $part : $open,
                'last' => false, 'parts' => false,
            ];
        }

        return $lines === []
            ? []
            : [Stored::text(($this->receive)($lines, null, '', Key::fresh(), User::role('stores')->firstOrFail())['message'])];
    }

    private function open(): Builder
    {
        return DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->where('o.kind', 'buy')->where('o.status', 'released')
            ->where('l.cancelled', false)->whereColumn('l.received', '<', 'l.qty')->orderBy('l.code');
    }

    private function buyer(): User
    {
        return User::role('buyer')->firstOrFail();
    }
}
