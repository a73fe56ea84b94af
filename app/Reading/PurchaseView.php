<?php

declare(strict_types=1);

namespace App\Reading;

use App\Models\Order;
use App\Reading\Shapes\OrderVersionRow;
use App\Reading\Shapes\PurchaseDetail;
use App\Reading\Shapes\PurchaseStage;
use App\Support\Stored;
use Illuminate\Support\Facades\DB;
use stdClass;

/** How far a purchase is, and what its supplier was told. */
final class PurchaseView
{
    /** Null for what is not bought. */
    public static function of(Order $order): ?PurchaseDetail
    {
        if ($order->kind !== 'buy') {
            return null;
        }
        $lines = $order->lines->where('cancelled', false);
        $versions = self::versions($order);
        $asked = DB::table('purchase_requests as r')->join('users as u', 'u.id', '=', 'r.user_id')
            ->whereIn('r.line_code', $order->lines->pluck('code')->all())->orderByDesc('r.id')->first(['r.note', 'u.name as by', 'r.created_at']);

        return new PurchaseDetail(
            stage: PurchaseStage::of(
                $order->status, $order->is_request, $lines->sum('received') > 0,
                $lines->isNotEmpty() && $lines->every(fn ($line) => $line->confirmed_at !== null),
            ),
            version: $order->version,
            mail: Stored::text(DB::table('suppliers')->where('code', $order->supplier_code)->value('email') ?? ''),
            text: $order->text ?? '',
            asked: $asked === null ? null : (string) trans($asked->note === '' ? 'asked for by :name' : 'asked for by :name: :note', [
                'name' => $asked->by, 'note' => $asked->note,
            ]),
            isNews: $versions === [] || $versions[0]->sentAt === null,
            versions: $versions,
        );
    }

    /** @return list<OrderVersionRow> */
    private static function versions(Order $order): array
    {
        $letters = DB::table('letters')->where('kind', 'order')->where('order_code', $order->code)->orderBy('id')->get(['id', 'version', 'state'])
            ->keyBy('version');
        $rows = DB::table('order_versions as v')->leftJoin('users as u', 'u.id', '=', 'v.user_id')->where('v.order_id', $order->id)
            ->orderByDesc('v.number')->get(['v.number', 'v.created_at', 'v.sent_at', 'u.name as by']);

        return array_values($rows->map(function (stdClass $row) use ($letters, $order): OrderVersionRow {
            $letter = $letters->get($row->number);

            return new OrderVersionRow(
                number: Stored::int($row->number), madeAt: Stored::text($row->created_at),
                sentAt: Stored::textOrNull($row->sent_at), by: Stored::text($row->by ?? ''),
                letter: Stored::textOrNull($letter->state ?? null),
                letterId: $letter === null ? null : Stored::int($letter->id),
                pdf: '/orders/'.rawurlencode($order->code)."/order.pdf?version={$row->number}",
            );
        })->all());
    }
}
