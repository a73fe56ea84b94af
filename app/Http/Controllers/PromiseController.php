<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\KeepPromise;
use App\Models\Run;
use App\Reading\HeldPromises;
use App\Reading\Pages\PromisePage;
use App\Reading\SubjectSearch;
use App\Support\Roles;
use App\Trials\PlanClient;
use App\Trials\PlanQuestion;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Response;

/** When customers can have what they ask for. */
final class PromiseController extends Controller
{
    /** Items that are asked for at once, and parts that are promised at once. */
    private const MOST = 12;

    private const QUANTITY = '/^\d{1,12}(\.\d{1,6})?$/';

    public function index(Request $request): Response
    {
        $held = new HeldPromises;

        return (new PromisePage(
            subject: $held->subject($request->string('of')->limit(190, '')->toString()),
            held: $held->all($this->site($request)),
            allHeld: $held->count($this->site($request)),
            item: SubjectSearch::item($request->string('item')->limit(190, '')->toString(), $request->string('at')->limit(190, '')->toString()),
            planned: Run::live() !== null,
            may: $this->user($request)->can(Roles::PROMISE),
        ))->show();
    }

    public function answer(Request $request, PlanClient $plans): JsonResponse
    {
        $given = $request->validate([
            'wishes' => 'required|array|min:1|max:'.self::MOST, 'wishes.*.item' => 'required|string|max:190',
            'wishes.*.site' => 'required|string|max:190', 'wishes.*.qty' => ['required', 'string', 'regex:'.self::QUANTITY],
            'wished' => 'required|date_format:Y-m-d', 'together' => 'boolean', 'regardless' => 'boolean', 'capacity' => 'boolean',
            'of' => 'nullable|string|max:190',
        ], ['wishes.*.qty.regex' => self::noQuantity()]);

        return response()->json($plans->ask(PlanQuestion::Promise, asked: [
            'wishes' => array_values(array_map(
                fn (array $wish) => ['item' => $wish['item'], 'site' => $wish['site'], 'qty' => $wish['qty']], $given['wishes'],
            )),
            'wished' => $given['wished'], 'together' => $request->boolean('together'), 'regardless' => $request->boolean('regardless'),
            'capacity' => $request->boolean('capacity'), 'of' => (string) ($given['of'] ?? ''),
        ]));
    }

    public function hold(Request $request, KeepPromise $promise): JsonResponse
    {
        $until = $request->validate(['until' => 'required|date_format:Y-m-d'])['until'];
        [$promised, $agreed, $key] = $this->promised($request);

        return response()->json($promise->hold($promised, $until, $agreed, $key, $this->user($request)));
    }

    public function accept(Request $request, KeepPromise $promise): JsonResponse
    {
        [$promised, $agreed, $key] = $this->promised($request);

        return response()->json($promise->accept(
            $promised, $agreed, $request->boolean('byHand'), $key, $this->user($request), $request->boolean('held'),
        ));
    }

    public function drop(Request $request, KeepPromise $promise): JsonResponse
    {
        $given = $request->validate(['reference' => 'required|string|max:190', 'key' => 'required|string|min:16|max:64']);

        return response()->json($promise->drop($given['reference'], $given['key'], $this->user($request)));
    }

    /** @return array{array{lines: non-empty-list<array{item: string, site: string, qty: string, date: string}>, order: string, customer: string, capacity: bool, of: string}, list<string>, string} what is promised, lines that may come later for it, and the key */
    private function promised(Request $request): array
    {
        $given = $request->validate([
            'lines' => 'required|array|min:1|max:'.self::MOST, 'lines.*.item' => 'required|string|max:190',
            'lines.*.site' => 'required|string|max:190', 'lines.*.qty' => ['required', 'string', 'regex:'.self::QUANTITY],
            'lines.*.date' => 'required|date_format:Y-m-d', 'order' => 'nullable|string|max:60', 'customer' => 'nullable|string|max:190',
            'capacity' => 'boolean', 'byHand' => 'boolean', 'held' => 'boolean', 'of' => 'nullable|string|max:190', 'agreed' => 'array|max:500',
            'agreed.*' => 'string|max:190', 'key' => 'required|string|min:16|max:64',
        ], ['lines.*.qty.regex' => self::noQuantity()]);
        /** @var non-empty-list<array{item: string, site: string, qty: string, date: string}> $lines */
        $lines = array_values(array_map(
            fn (array $line) => ['item' => $line['item'], 'site' => $line['site'], 'qty' => $line['qty'], 'date' => $line['date']],
            $given['lines'],
        ));

        return [[
            'lines' => $lines, 'order' => trim((string) ($given['order'] ?? '')), 'customer' => trim((string) ($given['customer'] ?? '')),
            'capacity' => $request->boolean('capacity'), 'of' => (string) ($given['of'] ?? ''),
        ], array_values(array_map(strval(...), $given['agreed'] ?? [])), $given['key']];
    }

    private static function noQuantity(): string
    {
        return (string) trans('A quantity is a number of up to 12 digits, with up to 6 decimals. Nothing was promised.');
    }
}
