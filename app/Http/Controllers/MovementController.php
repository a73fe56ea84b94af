<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\BlockGoods;
use App\Actions\CountStock;
use App\Actions\IssueGoods;
use App\Actions\ReceiveGoods;
use App\Actions\ReverseMovement;
use App\Actions\SendTransfer;
use App\Actions\ShipGoods;
use App\Documents\DeliveryNote;
use App\Documents\Paper;
use App\Http\PaperResponse;
use App\Reading\BlockedList;
use App\Reading\CountSheet;
use App\Reading\MovementFilter;
use App\Reading\MovementList;
use App\Reading\Pages\CountPage;
use App\Reading\Pages\MovementsPage;
use App\Support\Roles;
use App\Support\Settings;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Inertia\Response;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\Quantity;

/** What came in, went out and was counted; and the ledger of it. */
final class MovementController extends Controller
{
    /** Lines that are posted at once. */
    private const MOST = 500;

    private const QUANTITY = '/^\d{1,9}(\.\d{1,6})?$/';

    private const SIGNED = '/^-?\d{1,9}(\.\d{1,6})?$/';

    public function index(Request $request): Response
    {
        return (new MovementsPage(
            list: (new MovementList)->rows($this->filter($request)), filter: $request->only(['kind', 'q', 'from', 'to', 'item']),
            blocked: BlockedList::rows($this->site($request)), may: $this->user($request)->can(Roles::STOCK),
        ))->show();
    }

    public function counting(Request $request): Response
    {
        return (new CountPage(may: $this->user($request)->can(Roles::STOCK)))->show();
    }

    /** What a list of counted items differs by; nothing is booked. */
    public function countSheet(Request $request): JsonResponse
    {
        $given = $request->validate(['site' => 'required|string|max:190', 'text' => 'required|string|max:100000']);

        return response()->json(CountSheet::of($given['site'], $given['text']));
    }

    public function rows(Request $request): JsonResponse
    {
        return response()->json((new MovementList)->rows($this->filter($request)));
    }

    public function receive(Request $request, ReceiveGoods $receive): JsonResponse
    {
        $given = $request->validate([
            'lines' => 'required|array|min:1|max:'.self::MOST, 'lines.*.order' => 'required|string|max:190',
            'lines.*.item' => 'present|nullable|string|max:190', 'lines.*.qty' => ['required', 'string', 'regex:'.self::QUANTITY],
            'lines.*.last' => 'boolean', 'lines.*.parts' => 'boolean', 'lines.*.blocked' => 'boolean', 'lines.*.to' => 'nullable|string|max:400',
            ...self::posted(),
        ]);

        return response()->json($receive(
            array_map(fn (array $line) => [
                'order' => $line['order'], 'item' => trim((string) $line['item']), 'qty' => Quantity::parse($line['qty']),
                'last' => (bool) ($line['last'] ?? false), 'parts' => (bool) ($line['parts'] ?? false),
                'blocked' => (bool) ($line['blocked'] ?? false), 'to' => trim((string) ($line['to'] ?? '')),
            ], array_values($given['lines'])),
            $given['day'] ?? null, trim((string) ($given['note'] ?? '')), $given['key'], $this->user($request),
        ));
    }

    /** All that is still to come of some orders. */
    public function receiveWhole(Request $request, ReceiveGoods $receive): JsonResponse
    {
        $given = $request->validate(['orders' => 'required|array|min:1|max:'.self::MOST, 'orders.*' => 'required|string|max:190', ...self::posted()]);

        return response()->json($receive->whole(
            array_values(array_unique($given['orders'])), $given['day'] ?? null, trim((string) ($given['note'] ?? '')), $given['key'],
            $this->user($request),
        ));
    }

    public function issue(Request $request, IssueGoods $issue): JsonResponse
    {
        $given = $request->validate([
            'order' => 'required|string|max:190', 'parts' => 'required|array|min:1|max:'.self::MOST, 'parts.*.line' => 'required|string|max:190',
            'parts.*.qty' => ['required', 'string', 'regex:'.self::SIGNED], 'more' => 'boolean', 'sure' => 'boolean',
            ...self::posted(),
        ]);

        return response()->json($issue(
            $given['order'],
            array_map(fn (array $part) => ['line' => $part['line'], 'qty' => Quantity::parse($part['qty'])], array_values($given['parts'])),
            (bool) ($given['more'] ?? false), trim((string) ($given['note'] ?? '')), $given['day'] ?? null, $given['key'], $this->user($request),
            (bool) ($given['sure'] ?? false),
        ));
    }

    public function send(Request $request, SendTransfer $send): JsonResponse
    {
        $given = $request->validate(['order' => 'required|string|max:190', ...self::posted()]);

        return response()->json($send(
            $given['order'], $given['day'] ?? null, trim((string) ($given['note'] ?? '')), $given['key'], $this->user($request),
        ));
    }

    /** The delivery note of what was shipped at once, on paper. */
    public function delivery(int $commit): PlainResponse
    {
        $note = DeliveryNote::of($commit);

        return PaperResponse::of(
            Paper::of('delivery', ['note' => $note, 'planDate' => Day::parse(Settings::planDate())]), "delivery-{$note->number}.pdf",
        );
    }

    public function ship(Request $request, ShipGoods $ship): JsonResponse
    {
        $given = $request->validate([
            'lines' => 'required|array|min:1|max:'.self::MOST, 'lines.*.order' => 'required|string|max:190',
            'lines.*.line' => 'required|string|max:190', 'lines.*.qty' => ['required', 'string', 'regex:'.self::QUANTITY],
            'sure' => 'boolean', ...self::posted(),
        ]);

        return response()->json($ship(
            array_map(fn (array $line) => [
                'order' => $line['order'], 'line' => $line['line'], 'qty' => Quantity::parse($line['qty']),
            ], array_values($given['lines'])),
            $given['day'] ?? null, trim((string) ($given['note'] ?? '')), $given['key'], $this->user($request), (bool) ($given['sure'] ?? false),
        ));
    }

    public function block(Request $request, BlockGoods $block): JsonResponse
    {
        $given = $request->validate([
            'what' => 'required|in:block,release,scrap', 'item' => 'required|string|max:190', 'site' => 'required|string|max:190',
            'qty' => ['required', 'string', 'regex:'.self::QUANTITY], ...self::posted(),
        ]);
        $what = $given['what'] === 'block' || $given['what'] === 'scrap' ? $given['what'] : 'release';

        return response()->json($block(
            $what, $given['item'], $given['site'], Quantity::parse($given['qty']), trim((string) ($given['note'] ?? '')), $given['key'],
            $this->user($request),
        ));
    }

    public function count(Request $request, CountStock $count): JsonResponse
    {
        $given = $request->validate([
            'rows' => 'required|array|min:1|max:'.self::MOST, 'rows.*.item' => 'required|string|max:190', 'rows.*.site' => 'required|string|max:190',
            'rows.*.qty' => ['required', 'string', 'regex:'.self::QUANTITY], 'rows.*.books' => ['required', 'string', 'regex:'.self::QUANTITY],
            ...self::posted(),
        ]);

        return response()->json($count(
            array_map(fn (array $row) => [
                'item' => $row['item'], 'site' => $row['site'], 'qty' => Quantity::parse($row['qty']), 'books' => Quantity::parse($row['books']),
            ], array_values($given['rows'])),
            $given['day'] ?? null, trim((string) ($given['note'] ?? '')), $given['key'], $this->user($request),
        ));
    }

    public function reverse(Request $request, ReverseMovement $reverse, int $id): JsonResponse
    {
        $given = $request->validate(self::posted());

        return response()->json($reverse($id, trim((string) ($given['note'] ?? '')), $given['key'], $this->user($request)));
    }

    /** @return array<string, string> the rules of what all that is posted has */
    private static function posted(): array
    {
        return ['day' => 'nullable|date_format:Y-m-d|after:1999-12-31', 'note' => 'nullable|string|max:190', 'key' => 'required|string|min:16|max:64'];
    }

    private function filter(Request $request): MovementFilter
    {
        return MovementFilter::asked($request->query(), $this->site($request));
    }
}
