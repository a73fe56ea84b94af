<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\BuyRequests;
use App\Actions\ChaseSuppliers;
use App\Actions\ConfirmLines;
use App\Actions\GiveBackRequests;
use App\Actions\ReadConfirmation;
use App\Actions\SendOrder;
use App\Actions\TakeApart;
use App\Documents\ConfirmationFile;
use App\Reading\ChaseList;
use App\Reading\GivenBackList;
use App\Reading\Pages\ChasePage;
use App\Reading\Pages\RequestsPage;
use App\Reading\RequestList;
use App\Reading\Shapes\ChaseReason;
use App\Support\Roles;
use App\Support\Settings;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Response;
use Yposta\Core\Calendar\Day;
use Yposta\Core\Quantity\Quantity;

/** A purchase from its request to what its supplier has confirmed. */
final class PurchaseController extends Controller
{
    /** Lines that are dealt with at once. */
    private const MOST = 500;

    private const QUANTITY = '/^\d{1,9}(\.\d{1,6})?$/';

    public function requests(Request $request): Response
    {
        $text = $request->string('q')->limit(60, '')->toString();
        $by = in_array($request->query('by'), ['supplier', 'item', 'for', 'day'], true) ? (string) $request->query('by') : 'supplier';

        return (new RequestsPage(
            list: (new RequestList($this->plan(), Day::parse(Settings::planDate())))->rows($this->site($request), $text),
            filter: ['q' => $text, 'by' => $by], may: $this->user($request)->can(Roles::BUY), back: GivenBackList::rows(),
        ))->show();
    }

    public function buy(Request $request, BuyRequests $buy): JsonResponse
    {
        $given = $request->validate([
            'lines' => 'required|array|min:1|max:'.self::MOST, 'lines.*.line' => 'required|string|max:190|distinct',
            'lines.*.qty' => ['nullable', 'string', 'regex:'.self::QUANTITY], 'lines.*.price' => ['nullable', 'string', 'regex:'.self::QUANTITY],
            'lines.*.due' => self::day('nullable'), 'lines.*.supplier' => 'nullable|string|max:190',
            'into' => 'nullable|string|max:190', 'sure' => 'boolean', 'key' => 'required|string|min:16|max:64',
        ]);

        return response()->json($buy(
            array_map(fn (array $line) => [
                'line' => $line['line'], 'qty' => isset($line['qty']) ? Quantity::parse($line['qty']) : null,
                'due' => isset($line['due']) ? Day::parse($line['due']) : null,
                'price' => isset($line['price']) ? Quantity::parse($line['price']) : null, 'supplier' => $line['supplier'] ?? null,
            ], array_values($given['lines'])),
            $given['into'] ?? null, (bool) ($given['sure'] ?? false), $given['key'], $this->user($request),
        ));
    }

    public function giveBack(Request $request, GiveBackRequests $giveBack): JsonResponse
    {
        $given = $request->validate([...self::lines(), 'reason' => 'present|nullable|string|max:190']);

        return response()->json($giveBack(
            array_values($given['lines']), trim((string) $given['reason']), $given['key'], $this->user($request),
        ));
    }

    public function apart(Request $request, TakeApart $takeApart): JsonResponse
    {
        $given = $request->validate(['order' => 'required|string|max:190', 'key' => 'required|string|min:16|max:64']);

        return response()->json($takeApart($given['order'], $given['key'], $this->user($request)));
    }

    public function send(Request $request, SendOrder $send): JsonResponse
    {
        $given = $request->validate([
            'order' => 'required|string|max:190', 'mail' => 'required|boolean', 'text' => 'nullable|string|max:2000', 'version' => 'required|integer',
            'key' => 'required|string|min:16|max:64',
        ]);

        return response()->json($send(
            $given['order'], (bool) $given['mail'], array_key_exists('text', $given) ? self::readable((string) $given['text']) : null, (int) $given['version'],
            $given['key'], $this->user($request),
        ));
    }

    public function confirm(Request $request, ConfirmLines $confirm): JsonResponse
    {
        $given = $request->validate([
            'lines' => 'required|array|min:1|max:'.self::MOST, 'lines.*.line' => 'required|string|max:190|distinct',
            'lines.*.qty' => ['required', 'string', 'regex:'.self::QUANTITY, 'not_regex:/^0+(\.0+)?$/'],
            'lines.*.due' => self::day('required'), 'key' => 'required|string|min:16|max:64',
        ]);

        return response()->json($confirm(
            array_map(fn (array $line) => [
                'line' => $line['line'], 'qty' => Quantity::parse($line['qty']), 'due' => Day::parse($line['due']),
            ], array_values($given['lines'])),
            'hand', $given['key'], $this->user($request),
        ));
    }

    public function accept(Request $request, ConfirmLines $confirm): JsonResponse
    {
        $given = $request->validate(self::lines());

        return response()->json($confirm->accept(array_values($given['lines']), $given['key'], $this->user($request)));
    }

    public function confirmation(Request $request, ReadConfirmation $read): JsonResponse
    {
        $given = $request->validate([
            'file' => 'required|string|max:'.ConfirmationFile::MOST_BYTES, 'key' => 'required|string|min:16|max:64',
        ]);

        return response()->json($read($given['file'], $given['key'], $this->user($request)));
    }

    public function chase(Request $request): Response
    {
        $list = new ChaseList(Day::parse(Settings::planDate()));
        $reason = ChaseReason::tryFrom($request->string('why')->toString());
        $text = $request->string('q')->limit(60, '')->toString();
        [$rows, $total] = $list->rows($this->site($request), $reason, $text);

        return (new ChasePage(
            rows: $rows, total: $total, reasons: $list->counts($this->site($request)), filter: ['why' => $reason->value ?? '', 'q' => $text],
            may: $this->user($request)->can(Roles::BUY),
        ))->show();
    }

    public function remind(Request $request, ChaseSuppliers $chase): JsonResponse
    {
        $given = $request->validate(self::lines());

        return response()->json($chase(array_values($given['lines']), $given['key'], $this->user($request)));
    }

    /** @return array<string, string> */
    private static function lines(): array
    {
        return [
            'lines' => 'required|array|min:1|max:'.self::MOST, 'lines.*' => 'required|string|max:190|distinct', 'key' => 'required|string|min:16|max:64',
        ];
    }

    /** Without signs that no letter and no XML can hold. */
    private static function readable(string $text): string
    {
        return trim((string) preg_replace('/[^\P{C}\n\t]/u', '', $text));
    }

    private static function day(string $presence): string
    {
        return "{$presence}|date_format:Y-m-d|after:1999-12-31|before:2100-01-01";
    }
}
