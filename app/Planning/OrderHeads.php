<?php

declare(strict_types=1);

namespace App\Planning;

use App\Support\Refused;
use App\Support\Stored;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Network\Network;
use Yposta\Core\Network\OpenOrder;

/** What lines of one order share, and numbers that an order has had before. */
final class OrderHeads
{
    private const AT_ONCE = 400;

    /**
     * Holds new orders against those that there are and have been. One that was cancelled before anybody was told of it may come again;
     * another has a past that a new one would inherit.
     *
     * @param  list<string>  $numbered  codes that were given out here, and so are free
     *
     * @throws Refused
     */
    public static function check(Network $before, Network $after, array $numbered): void
    {
        $new = array_diff_key($after->orders, $before->orders, array_flip($numbered));
        $heads = [];
        foreach ($new as $order) {
            [$head] = OrderCodes::parse($order->code);
            $heads[$head] ??= self::shared($order);
            $heads[$head] === self::shared($order) || throw Refused::because('commit.other_head', ['order' => $head], 'fit');
        }
        foreach (array_chunk(array_map(strval(...), array_keys($new)), self::AT_ONCE) as $codes) {
            $over = DB::table('order_lines as l')->join('orders as o', 'o.id', '=', 'l.order_id')->whereIn('l.code', $codes)
                ->where(fn (Builder $any) => $any->where('o.status', 'done')->orWhere('l.received', '>', 0)->orWhereNotNull('o.sent_at'))->value('l.code');
            $over === null || throw Refused::because('commit.code_used', ['order' => Stored::text($over)], 'fit');
        }
        foreach (array_chunk(array_map(strval(...), array_keys($heads)), self::AT_ONCE) as $codes) {
            $open = DB::table('orders')->whereIn('code', $codes)->where('status', '!=', 'cancelled')->get();
            foreach ($open as $head) {
                $code = Stored::text($head->code);
                $stands = [$head->kind, $head->status, $head->site_code, $head->supplier_code];
                $stands === $heads[$code] || throw Refused::because('commit.other_head', ['order' => $code], 'fit');
            }
        }
    }

    /** @return array{string, string, string, string|null} */
    private static function shared(OpenOrder $order): array
    {
        return [$order->kind->value, $order->status->value, $order->site, $order->supplier];
    }
}
