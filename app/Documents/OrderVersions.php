<?php

declare(strict_types=1);

namespace App\Documents;

use App\Models\Order;
use App\Models\User;
use App\Support\Refused;
use App\Support\Settings;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use stdClass;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Study\BringOrders;
use Yposta\Core\Study\Change;
use Yposta\Core\Study\MovesStock;
use Yposta\Core\Study\OfOrder;

/** What a supplier was told in which version: once an order has been sent, whatever it says differently is a new one, and all are kept. */
final class OrderVersions
{
    /**
     * Keeps what orders say now that have been sent before. Call within the transaction that changes them.
     *
     * @param  list<Change>  $changes
     */
    public static function keepUp(array $changes, User $by): void
    {
        $codes = [];
        foreach ($changes as $change) {
            $change instanceof OfOrder && ! $change instanceof MovesStock && $codes[] = $change->orderCode();
            $change instanceof BringOrders && array_push($codes, ...$change->orders());
        }
        foreach (array_chunk(array_values(array_unique($codes)), 400) as $chunk) {
            $orders = Order::query()->where('kind', 'buy')->whereNotNull('sent_at')
                ->whereIn('id', DB::table('order_lines')->whereIn('code', $chunk)->select('order_id'))->get();
            foreach ($orders as $order) {
                self::keep($order, $by);
            }
        }
    }

    /**
     * The number of the version that says what the order says now; a new one where the last says something else.
     *
     * @throws Refused when it is no purchase order
     */
    public static function keep(Order $order, User $by): int
    {
        $paper = PurchasePaper::asItStands($order);
        $last = (int) DB::table('order_versions')->where('order_id', $order->id)->max('number');
        $number = self::next($order);
        if ($number === $last) {
            return $number;
        }
        DB::table('order_versions')->insert([
            'order_id' => $order->id, 'number' => $number, 'paper' => json_encode($paper->kept(), JSON_THROW_ON_ERROR), 'user_id' => $by->id,
            'created_at' => now(),
        ]);

        return $number;
    }

    /** The version that an order would be sent as now. */
    public static function next(Order $order): int
    {
        $last = DB::table('order_versions')->where('order_id', $order->id)->orderByDesc('number')->first();
        $number = $last === null ? 0 : Stored::int($last->number);

        return $last !== null && PurchasePaper::asItStands($order)->isAs(self::read($last)) ? $number : $number + 1;
    }

    /** A version as PDF. */
    public static function pdf(PurchasePaper $paper, int $version): string
    {
        return Paper::of('order', ['paper' => $paper, 'version' => $version, 'planDate' => Day::parse(Settings::planDate())]);
    }

    /** A version as UBL. */
    public static function ubl(PurchasePaper $paper, int $version): string
    {
        return UblOrder::of($paper, $version < 2 ? '' : (string) trans('Version :version; it takes the place of all before it.', ['version' => $version]));
    }

    /** What a version said; null where there is none. */
    public static function paper(int $order, int $number): ?PurchasePaper
    {
        $row = DB::table('order_versions')->where('order_id', $order)->where('number', $number)->first();

        return $row === null ? null : self::read($row);
    }

    private static function read(stdClass $row): PurchasePaper
    {
        return PurchasePaper::ofKept((array) json_decode(Stored::text($row->paper), true, 512, JSON_THROW_ON_ERROR));
    }
}
