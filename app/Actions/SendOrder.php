<?php

declare(strict_types=1);

namespace App\Actions;

use App\Documents\OrderVersions;
use App\Documents\PurchasePaper;
use App\Models\Order;
use App\Models\User;
use App\Outgoing\Outbox;
use App\Reading\Shapes\Told;
use App\Support\Idempotency;
use App\Support\Journal;
use App\Support\Refused;
use App\Support\Roles;
use App\Support\Settings;
use App\Support\Stored;
use App\Support\Words;
use App\Support\WriteTurn;
use Illuminate\Support\Facades\DB;
use Yposta\Core\Study\ReleaseOrder;
use Yposta\Core\Support\Phrase;

/**
 * Sends a purchase order to its supplier, by mail with its paper and its UBL, or says that it went another way. What he is told is kept.
 */
final readonly class SendOrder
{
    public function __construct(private CommitChanges $commit)
    {
    }

    /**
     * @param  bool  $byMail  or by hand
     * @param  string|null  $text  what it says beside its lines; null leaves it
     * @param  int  $seen  the order's version that the person looked at
     * @return array<string, mixed> Told
     *
     * @throws Refused when it is a request, is over, was changed meanwhile, says nothing new, or there is no address to send it to
     */
    public function __invoke(string $code, bool $byMail, ?string $text, int $seen, string $key, User $by): array
    {
        $by->can(Roles::BUY) || throw Refused::because('purchase.forbidden', [], 'forbidden');
        $letter = null;
        $told = Idempotency::once($key, 'send_order', $by, function () use ($code, $byMail, $text, $seen, $by, &$letter): array {
            WriteTurn::take();
            $order = Order::query()->where('code', $code)->lockForUpdate()->first() ?? throw Refused::because('purchase.not_open', ['order' => $code], 'stale');
            $order->version === $seen || throw Refused::because('purchase.changed', ['order' => $code], 'stale');
            $text === null || $order->update(['text' => $text]);
            $this->release($order, $by);
            $paper = PurchasePaper::asItStands($order);
            $byMail && $paper->email === '' && throw Refused::because('purchase.no_mail', ['supplier' => $paper->supplier[0] ?? ''], 'address');
            $order->update(['sent_at' => now(), 'version' => $order->version + 1]);
            $version = OrderVersions::keep($order, $by);
            $ofVersion = DB::table('order_versions')->where('order_id', $order->id)->where('number', $version);
            (clone $ofVersion)->whereNotNull('sent_at')->exists() && throw Refused::because('purchase.nothing_new', ['order' => $code], 'over');
            $ofVersion->update(['sent_at' => now()]);
            $letter = $byMail ? $this->write($paper, $version, Stored::text($order->supplier_code), $by) : null;
            $said = Words::say(new Phrase($byMail ? 'journal.purchase.sent' : 'journal.purchase.sent_by_hand', [
                'order' => $code, 'supplier' => $paper->supplier[0] ?? '', 'version' => $version,
            ]));
            Journal::note('send_order', $said, $by);

            return get_object_vars(new Told("{$said}."));
        });
        $letter === null || Outbox::send($letter);

        return $told;
    }

    private function release(Order $order, User $by): void
    {
        $order->kind === 'buy' && ! $order->is_request && in_array($order->status, ['firm', 'released', 'cancelled'], true)
            || throw Refused::because('purchase.not_open', ['order' => $order->code], 'stale');
        $order->status !== 'cancelled' || $order->sent_at !== null || throw Refused::because('purchase.not_open', ['order' => $order->code], 'stale');
        $codes = $order->lines()->where('cancelled', false)->whereColumn('received', '<', 'qty')->pluck('code')->map(Stored::text(...))->all();
        if ($order->status === 'firm' && $codes !== []) {
            ($this->commit)([array_values(array_map(fn (string $line) => new ReleaseOrder($line), $codes))], [], $by);
            $order->refresh();
        }
    }

    private function write(PurchasePaper $paper, int $version, string $supplier, User $by): int
    {
        $values = ['order' => $paper->code, 'version' => $version, 'contact' => $paper->contact, 'company' => Settings::company()['name'], 'by' => $by->name];
        $kind = match (true) {
            $paper->lines === [] => 'cancelled',
            $version > 1 => 'again',
            default => 'first',
        };

        return Outbox::put(
            ['kind' => 'order', 'supplier' => $supplier, 'order' => $paper->code, 'version' => $version], $paper->email,
            (string) trans("letters.order.{$kind}.subject", $values), (string) trans("letters.order.{$kind}.body", $values), [], $by,
        );
    }
}
